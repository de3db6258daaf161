<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\Voices;
use App\Models\Message;
use App\Models\Person;
use App\Records\PersonLookup;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Page\Look\Look;

/** What an email says of its reader's deadlines: when they end, in their zone and words, what is left, and the countdown as a picture. */
final class DeadlineFields
{
    /**
     * @param  string  $words  of the email, to see which it asks for
     * @param  Person|null  $reader  null for a made-up one, for whom all of them run for two days more
     * @return array<string, string> merge fields by name; of a deadline that does not run for them, none
     */
    public static function of(string $words, ?Person $reader, DateTimeZone $zone, string $language): array
    {
        return self::ofRuns(self::runs($words, $reader), $zone, $language, CarbonImmutable::now());
    }

    /**
     * @param  array<string, Run>  $runs  by deadline
     * @return array<string, string> likewise
     */
    public static function ofRuns(array $runs, DateTimeZone $zone, string $language, DateTimeImmutable $now): array
    {
        $values = [];
        foreach ($runs as $id => $run) {
            $values["deadline_{$id}"] = TimeWords::moment($run->endsAt, $zone, $language, $now);
            $values["deadline_left_{$id}"] = $run->left($now) === 0 ? '' : TimeWords::left($run->left($now), $language);
        }

        return $values;
    }

    /** @return array<string, Run> by deadline, as far as the words speak of them */
    private static function runs(string $words, ?Person $reader): array
    {
        $ids = EmailBody::deadlines($words);
        if ($ids === [] || ($reader !== null && $reader->exists)) {
            return $ids === [] || $reader === null ? [] : Runs::ofPeople([$reader->id], $ids, CarbonImmutable::now())[$reader->id] ?? [];
        }
        $now = CarbonImmutable::now();

        return array_fill_keys($ids, new Run($now->subDay(), $now->addDays(2)));
    }

    /**
     * Pictures of countdowns at the address that draws them when the email is opened, with the moment for those who see none. Of a
     * deadline that does not run for the reader, nothing.
     *
     * @param  Message|null  $message  null for an email that is only looked at
     * @param  array<string, Run>|null  $runs  by deadline; null for those of its reader
     */
    public static function pictures(string $body, ?Message $message, ?Person $reader, DateTimeZone $zone, string $language,
        ?Look $look, ?array $runs = null, ?DateTimeImmutable $now = null): string
    {
        $runs ??= self::runs($body, $reader);
        $now ??= CarbonImmutable::now();

        return (string) preg_replace_callback('~<img src="countdown:([a-z0-9]{26})"[^>]*>~', function (array $m) use ($runs,
            $message, $zone,
            $language, $look, $now): string {
            $run = $runs[$m[1]] ?? null;
            if ($run === null) {
                return '';
            }
            $address = $message === null ? CountdownPicture::sample($look, Voices::of($language))
                : MailLinks::link($message, "/t/{$message->id}/{$m[1]}/"
                .MailLinks::sealOf("countdown|{$message->id}|{$m[1]}").'.gif');

            return '<img src="'.e($address).'" alt="'.e(TimeWords::moment($run->endsAt, $zone, $language, $now)).'" width="'
                .CountdownPicture::WIDTH.'" height="'.CountdownPicture::HEIGHT.'" style="display:block;margin:0 auto 18px;max-width:100%;'
                .'height:auto;border:0">';
        }, $body);
    }

    public static function zone(?Person $reader, DateTimeZone $owner): DateTimeZone
    {
        return $reader === null || ! $reader->exists ? $owner : PersonLookup::zone($reader);
    }
}
