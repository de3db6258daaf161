<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\Voices;
use App\Models\Broadcast;
use App\Models\Business;
use App\Models\EmailPart;
use App\Support\Homes;
use App\Support\RichText;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;

/** An email before it has a reader: its words, its colour, and the merge fields that are the same for everybody. */
final readonly class EmailSource
{
    /** The colour of emails that belong to no funnel. */
    public const ACCENT = '#1e6b5e';

    /**
     * @param  array<string, string>  $fields
     * @param  string|null  $webinar  the id of the one it is told from
     * @param  OwnPhrases|null  $own  what its funnel says in other words
     */
    public function __construct(
        public string $subject,
        public RichText $body,
        public Colour $accent,
        public array $fields = [],
        public bool $tracked = true,
        public string $language = 'en',
        public ?Look $look = null,
        public ?string $webinar = null,
        public ?OwnPhrases $own = null,
    ) {
    }

    /** @param  string  $address  of the funnel, as it is now */
    public static function ofEmail(Business $business, Plan $plan, EmailPlan $email, string $address): self
    {
        return new self($email->subject, self::whole($business, $email->body), $plan->look()->accent,
            self::fieldsOf($plan, $business, $address),
            language: $plan->language, look: $plan->look(), webinar: $email->bySession()?->webinar,
            own: $plan->phrases());
    }

    public static function ofBroadcast(Broadcast $broadcast, Business $business, ?string $variant = null, bool $again = false): self
    {
        $plan = $broadcast->funnel?->liveVersion?->plan();
        $subject = match (true) {
            $again && $broadcast->againSubject() !== '' => $broadcast->againSubject(),
            $variant === 'b' => $broadcast->otherSubject(),
            default => $broadcast->subject,
        };

        return new self($subject, self::whole($business, $broadcast->body), $plan?->look()->accent ?? Colour::of(self::ACCENT),
            $plan === null ? ['business' => $business->name, 'host' => $business->sender()->host()]
                : self::fieldsOf($plan, $business, $broadcast->funnel->address ?? $plan->address),
            language: $plan->language ?? $business->language,
            look: $plan?->look(), own: $plan?->phrases());
    }

    /** @return array<string, string> the funnel's own merge fields, and the addresses of its pages */
    public static function fieldsOf(Plan $plan, Business $business, string $address): array
    {
        $fields = $plan->prices(Voices::of($plan->language, $business, $plan->phrases())) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()];
        $site = app(Homes::class)->funnel($business->id, $plan->id, $address);
        foreach ([...$plan->pages, ...$plan->guides] as $page) {
            $fields["page_{$page->id}"] = $site->url($page->address);
        }

        return $fields;
    }

    /** A body with the parts it uses. */
    public static function whole(Business $business, string $body): RichText
    {
        return RichText::email(self::withParts($business, $body));
    }

    /** The same as it was written, to be looked at and not to be sent. */
    public static function withParts(Business $business, string $body): string
    {
        $ids = EmailBody::parts($body);

        return $ids === [] ? $body : EmailBody::withParts($body,
            EmailPart::query()->where('business_id', $business->id)->whereIn('id', $ids)->pluck('body', 'id')->all());
    }
}
