<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\Voices;
use App\Models\Business;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\Upload;
use App\Records\PersonLookup;
use App\Records\RegisteredSessions;
use App\Records\SessionFields;
use App\Rendering\SeenAt;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\View;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Sending\EmailReader;
use Lantern\Core\Sequences\EmailPlan;
use TijsVerkoyen\CssToInlineStyles\CssToInlineStyles;

/** Writes out a message for its reader: parts in place, merge fields filled, links personal, styles inlined, plain text beside. */
final class EmailWriter
{
    public function __construct(private readonly KindsOfMessages $kinds)
    {
    }

    /** @return WrittenEmail|null nothing when there is nothing left to say, such as when the email is no longer part of the funnel */
    public function write(Message $message): ?WrittenEmail
    {
        $kind = $this->kinds->kindOf($message);
        $written = $kind->written($message);
        $source = $written === null ? $kind->source($message) : null;

        return $source === null ? $written
            : $this->email($message->business, $source, $this->values($message, $source, $source->subject.$source->body->html),
                $message->person,
                $message);
    }

    /**
     * The email as a sample reader would see it, for the Studio.
     *
     * @param  array<string, string>  $more  merge fields beside the person's own
     */
    public function sample(Business $business, EmailPlan $email, Colour $accent, array $more = []): WrittenEmail
    {
        return $this->forPerson($business, new EmailSource($email->subject, EmailSource::whole($business, $email->body), $accent, $more),
            null);
    }

    /** An email as somebody on the list would read it, or a made-up reader where nobody is named. */
    public function forPerson(Business $business, EmailSource $source, ?Person $person): WrittenEmail
    {
        return $this->email($business, $source, $this->readFor($business, $source, $person), $person, null);
    }

    /** An email as somebody reads it in a rehearsal. */
    public function asSeen(Business $business, EmailSource $source, SeenAt $seen): WrittenEmail
    {
        $zone = $seen->person->zone;
        $body = DeadlineFields::pictures(EmailBody::forReader($source->body->html, $seen->person, $seen->now), null, null, $zone,
            $source->language, $source->look, $seen->runs, $seen->now);
        $values = $seen->reader + DeadlineFields::ofRuns($seen->runs, $zone, $source->language, $seen->now)
            + array_fill_keys([...SessionFields::LINKS, 'download_link'], $business->site()->to('/')) + $source->fields;

        return $this->email($business, $source, $values, null, null, $body);
    }

    /** @return array<string, string> what the merge fields of these words give somebody on the list, or a made-up reader */
    public function readFor(Business $business, EmailSource $source, ?Person $person): array
    {
        $reader = $person ?? new Person(['first_name' => 'Robin', 'last_name' => 'Sample', 'email' => 'robin@example.com',
            'business_id' => $business->id]);
        $words = $source->subject.$source->body->html;

        return self::ofPerson($reader) + ['download_link' => $business->site()->to('/')]
            + DeadlineFields::of($words, $person, DeadlineFields::zone($person, $business->zone()), $source->language)
            + SessionFields::sample($business, $source->language) + $source->fields;
    }

    /** @return array{accent: string, onAccent: string, link: string, darkLink: string} that emails of this accent are drawn in */
    public static function colours(Colour $accent): array
    {
        $white = Colour::of('#ffffff');

        return ['accent' => $accent->hex(), 'onAccent' => Contrast::readableOn($accent, $white)->hex(),
            'link' => Contrast::readableOn($white, $accent, Colour::of('#20302d'))->hex(),
            'darkLink' => Contrast::readableOn(Colour::of('#1d2422'), $accent, $white)->hex()];
    }

    /** Where a link in a message leads for its reader. Only what the email itself holds can be asked for. */
    public function target(Message $message, string $template): ?string
    {
        $source = $this->kinds->kindOf($message)->source($message);
        $values = $this->values($message, $source, $template);
        $url = trim((string) MergeFields::address($template, self::part($values), self::whole($values, $source->fields ?? []),
            fn (string $s): string => $s));

        return preg_match('~^https?://[^\s]+$~i', $url) === 1 && strpbrk($url, "\r\n\t") === false ? $url : null;
    }

    /** @return array<string, string> the merge fields of a message, as far as these words ask for them */
    private function values(Message $message, ?EmailSource $source, string $words): array
    {
        $values = $message->person === null ? [] : self::ofPerson($message->person);
        if ($values !== [] && str_contains($words, 'download_link')) {
            $values['download_link'] = DownloadLink::url($message);
        }
        if ($source !== null && str_contains($words, 'deadline_')) {
            $values += DeadlineFields::of($words, $message->person ?? new Person, DeadlineFields::zone($message->person,
                $message->business->zone()), $source->language);
        }

        if ($source !== null && $values !== [] && SessionFields::areIn($words)) {
            // Where a link of ours leads is never what its reader typed into a field of that name.
            $values = SessionFields::ofMessage($message, $source->webinar, $source->language)
                + array_diff_key($values, array_fill_keys(SessionFields::LINKS, true));
        }

        return $values + ($source->fields ?? []);
    }

    /** @return array<string, string> */
    private static function ofPerson(Person $person): array
    {
        $values = ['first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email,
            'phone' => $person->phone];
        foreach ($person->exists ? $person->values()->orderBy('id')->get(['name', 'value']) : [] as $row) {
            $values[$row->name] = isset($values[$row->name]) ? "{$values[$row->name]}, {$row->value}" : $row->value;
        }

        return $values;
    }

    /** @param  array<string, string>  $values */
    private static function filled(string $html, EmailSource $source, array $values): string
    {
        $text = function (string $name, string $fallback) use ($values): string {
            $value = trim($values[$name] ?? '');

            return e($value === '' ? $fallback : $value);
        };

        return MergeFields::html($html, $text, self::part($values), self::whole($values, $source->fields));
    }

    /**
     * @param  array<string, string>  $values
     * @return callable(string, string): string
     */
    private static function part(array $values): callable
    {
        return function (string $name, string $fallback) use ($values): string {
            $value = trim($values[$name] ?? '');

            return rawurlencode($value === '' ? $fallback : $value);
        };
    }

    /**
     * What may be the whole address of a link: pages and downloads of ours, and what the owner wrote; never what a reader typed.
     *
     * @param  array<string, string>  $values
     * @param  array<string, string>  $fields  those of the email's source
     * @return array<string, string>
     */
    private static function whole(array $values, array $fields): array
    {
        // A reader's field of the same name goes first, and is theirs.
        return array_filter($fields, fn (string $field, string $name): bool => $field === ($values[$name] ?? null), ARRAY_FILTER_USE_BOTH)
            + array_intersect_key($values, ['download_link' => true] + array_fill_keys(SessionFields::LINKS, true));
    }

    public static function unsubscribeUrl(Message $message): string
    {
        return MailLinks::link($message, URL::signedRoute('site.unsubscribe', ['message' => $message->id], absolute: false));
    }

    private static function reader(Person $person, EmailSource $source): PersonState
    {
        $session = $source->webinar === null ? null : RegisteredSessions::current($person->id, $source->webinar);

        return EmailReader::of(PersonLookup::forRules($person, CarbonImmutable::now()), $source->webinar, $session['became'] ?? null);
    }

    /** @param  array<string, string>  $values */
    private function email(Business $business, EmailSource $source, array $values, ?Person $person, ?Message $message,
        ?string $read = null): WrittenEmail
    {
        $plain = MergeFields::fill($source->subject, $values, fn (string $s): string => (string) preg_replace('/[\p{Cc}]+/u', ' ', $s));
        $body = $read ?? ($person === null || ! str_contains($source->body->html, 'data-only')
            ? EmailBody::forEverybody($source->body->html) : EmailBody::forReader($source->body->html, self::reader($person, $source),
                CarbonImmutable::now()));
        if ($read === null && str_contains($body, 'countdown:')) {
            $body = DeadlineFields::pictures($body, $message, $person, DeadlineFields::zone($person, $business->zone()), $source->language,
                $source->look);
        }
        // A link that stands alone in its paragraph is what the email is about: it becomes a button.
        $body = (string) preg_replace('~<p>\s*<a href="([^"]*)">([^<]*)</a>\s*</p>~',
            '<p class="act"><a class="button" href="$1">$2</a></p>', $body);
        $with = fn (string $body): string => self::filled(self::withPictures($business, $body), $source, $values);
        $knows = $message !== null && $source->tracked;
        $filled = $with($knows ? MailLinks::tracked($body, $message) : $body);
        $unsubscribe = match (true) {
            $message === null => $business->site()->to('/'),
            // Whoever is asked whether the address is theirs is on no list yet.
            $message->person_id === null || ! $this->kinds->kindOf($message)->canBeLeft() => '',
            default => self::unsubscribeUrl($message),
        };
        // What the application writes itself names no words of its own: then its funnel's hold at the foot as well.
        $own = $source->own ?? Voices::phrasesOf($message?->funnel_id === null ? null
            : Funnel::query()->whereKey($message->funnel_id)->value('live_version_id'));
        $voice = Voices::of($person->language ?? $source->language, $business, $own);
        $html = View::make('mail.email', ['say' => $voice,
            'subject' => $plain, 'body' => $filled, 'business' => $business, 'unsubscribe' => $unsubscribe,
            'pixel' => $message !== null && $source->tracked && $message->person_id !== null ? MailLinks::pixel($message) : '',
        ] + self::colours($source->accent))->render();
        // The plain text shows its addresses to the reader, so they are the real ones, but where a page has to know who comes.
        $text = PlainText::of($with($knows ? MailLinks::trackedToPages($body, $message)
            : $body))."\n\n--\n{$business->name}\n{$business->postal_address}\n"
            .($unsubscribe === '' ? '' : $voice->say('mail.unsubscribe_at', ['address' => $unsubscribe])."\n");

        return new WrittenEmail(trim($plain) === '' ? $voice->say('mail.no_subject') : $plain, (new CssToInlineStyles)->convert($html),
            $text,
            $unsubscribe);
    }

    /** Pictures from the library in a width that emails have, at an address that mail programs can reach. */
    private static function withPictures(Business $business, string $body): string
    {
        return (string) preg_replace_callback('~<img src="picture:([a-z0-9]{26})" alt="([^"]*)"\s*/?>~',
            function (array $m) use ($business): string {
                $picture = Upload::query()->where('business_id', $business->id)->where('kind', 'picture')->find($m[1]);
                if ($picture === null) {
                    return '';
                }
                $width = min(528, (int) $picture->width);

                // Old mail programs know neither WebP nor styles on pictures: the copy they can show, and its width as an attribute.
                return '<img src="'.$business->site()->to($picture->src()).'" alt="'.$m[2].'" width="'.$width
                    .'" style="display:block;margin:0 0 18px;width:100%;max-width:'.$width.'px;height:auto;border:0">';
            }, $body);
    }
}
