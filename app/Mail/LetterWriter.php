<?php

declare(strict_types=1);

namespace App\Mail;

use App\Files\FileLinks;
use App\Models\Business;
use App\Models\Delivery;
use App\Models\Message;
use App\Models\Person;
use App\Models\Version;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\View;
use Lantern\Core\Email\EmailPlan;
use Lantern\Core\Email\MergeFields;
use Lantern\Core\Funnel\Plan;
use Lantern\Core\Page\Colour;
use Lantern\Core\Page\Contrast;
use TijsVerkoyen\CssToInlineStyles\CssToInlineStyles;

/** Writes out a message for its reader: merge fields filled, links personal, styles inlined, plain text beside. */
final class LetterWriter
{
    /** @return Letter|null nothing when the email is no longer part of the funnel */
    public function write(Message $message): ?Letter
    {
        $person = $message->person;
        $unsubscribe = self::unsubscribeUrl($message->id);
        $delivery = Delivery::query()->with(['leadMagnet.upload', 'funnel'])->where('person_id', $person->id)->whereNull('revoked_at')
            ->when($message->funnel_id !== null, fn ($q) => $q->where('funnel_id', $message->funnel_id))
            ->latest('id')->first();
        if ($message->kind === 'new-link') {
            $title = $delivery?->leadMagnet->title ?? 'your download';

            return $this->letter($message->business, $person, 'Your new download link', '<p>Hello {{first_name|there}},</p><p>here is a new link to “'
                .e($title).'”:</p><p><a href="{{download_link}}">Download it now</a></p><p>You asked for it on our page. If that was not you, nothing needs doing.</p>',
                $this->downloadUrl($delivery), $unsubscribe, Colour::of('#1e6b5e'));
        }
        $plan = ($message->funnel->liveVersion ?? Version::query()->find($message->version_id))?->plan();
        $email = $plan?->email((string) $message->email_id);

        return $plan === null || $email === null ? null : $this->letter($message->business, $person, $email->subject, $email->body,
            $this->downloadUrl($delivery), $unsubscribe, $plan->look()->accent, self::ofFunnel($plan, $message->funnel->address ?? $plan->address));
    }

    /**
     * The letter as a sample reader would see it, for the Studio.
     *
     * @param  array<string, string>  $more  merge fields beside the person's own
     */
    public function sample(Business $business, EmailPlan $email, Colour $accent, array $more = []): Letter
    {
        return $this->letter($business, new Person(['first_name' => 'Robin', 'last_name' => 'Sample', 'email' => 'robin@example.com', 'business_id' => $business->id]),
            $email->subject, $email->body, url('/'), url('/'), $accent, $more);
    }

    /** @return array<string, string> the funnel's own merge fields, and the addresses of its pages */
    public static function ofFunnel(Plan $plan, string $address): array
    {
        $fields = $plan->fields + ['business' => $plan->sender->business, 'host' => $plan->sender->host()];
        foreach ($plan->pages as $page) {
            $fields["page_{$page->id}"] = url($address.($page->address === '' ? '' : '/'.$page->address));
        }

        return $fields;
    }

    public static function unsubscribeUrl(string $messageId): string
    {
        return url(URL::signedRoute('site.unsubscribe', ['message' => $messageId], absolute: false));
    }

    /** @param  array<string, string>  $more  merge fields beside the person's own */
    private function letter(Business $business, Person $person, string $subject, string $body, string $download, string $unsubscribe, Colour $accent, array $more = []): Letter
    {
        $values = ['first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email, 'download_link' => $download] + $more;
        $plain = MergeFields::fill($subject, $values, fn (string $s): string => (string) preg_replace('/[\p{Cc}]+/u', ' ', $s));
        // A link that stands alone in its paragraph is what the letter is about: it becomes a button.
        $body = (string) preg_replace('~<p>\s*<a href="([^"]*)">([^<]*)</a>\s*</p>~', '<p class="act"><a class="button" href="$1">$2</a></p>', $body);
        $filled = MergeFields::fill($body, $values, e(...));
        $white = Colour::of('#ffffff');
        $html = View::make('mail.letter', [
            'subject' => $plain, 'body' => $filled, 'business' => $business, 'unsubscribe' => $unsubscribe,
            'accent' => $accent->hex(), 'onAccent' => Contrast::readableOn($accent, $white)->hex(),
            'link' => Contrast::readableOn($white, $accent, Colour::of('#20302d'))->hex(),
        ])->render();
        $text = PlainText::of($filled)."\n\n--\n{$business->name}\n{$business->postal_address}\nUnsubscribe: {$unsubscribe}\n";

        return new Letter(trim($plain) === '' ? '(no subject)' : $plain, (new CssToInlineStyles)->convert($html), $text, $unsubscribe);
    }

    private function downloadUrl(?Delivery $delivery): string
    {
        if ($delivery === null) {
            return url('/');
        }
        $name = $delivery->leadMagnet?->upload?->name;

        return $name === null ? $delivery->funnel->url() : FileLinks::forEmail($delivery, $name);
    }
}
