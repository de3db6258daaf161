<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;

/**
 * One person's session as a calendar file of RFC 5545. Calendars know it again by its id: one with a higher sequence number takes
 * the place of what they have, and a cancelled one takes it out.
 */
final readonly class Invitation
{
    /** Before the start, in minutes. */
    public const REMINDERS = [1440, 15];

    /**
     * @param  string  $uid  the same for all that is ever sent about one registration, such as `01j…@webinars`
     * @param  int  $sequence  0 at first, one more with each change
     * @param  string  $url  their own way into the room
     * @param  DateTimeImmutable  $writtenAt  when it was changed last
     */
    public function __construct(
        public string $uid,
        public int $sequence,
        public string $title,
        public string $about,
        public string $url,
        public string $host,
        public string $email,
        public Session $session,
        public DateTimeImmutable $writtenAt,
        public bool $cancelled = false,
    ) {
    }

    /** The file, with lines folded and ended as the standard has it. */
    public function file(): string
    {
        $utc = new DateTimeZone('UTC');
        [$title, $host] = [self::line($this->title), self::line($this->host)];
        $calendar = new VCalendar(['PRODID' => '-//Upbeat Lantern//Webinars//EN', 'METHOD' => $this->cancelled ? 'CANCEL' : 'PUBLISH']);
        // Each moment in UTC: it needs no description of a zone, and every calendar shows it in its own.
        $event = $calendar->createComponent('VEVENT', [
            'UID' => $this->uid,
            'SEQUENCE' => $this->sequence,
            'DTSTAMP' => $this->writtenAt->setTimezone($utc),
            'DTSTART' => $this->session->startsAt->setTimezone($utc),
            'DTEND' => $this->session->endsAt->setTimezone($utc),
            'SUMMARY' => $title,
            'DESCRIPTION' => trim((string) preg_replace('/[^\P{Cc}\n\t]+/u', ' ', mb_scrub($this->about))."\n\n{$this->url}"),
            'URL' => $this->url,
            'STATUS' => $this->cancelled ? 'CANCELLED' : 'CONFIRMED',
        ], false);
        $event->add('ORGANIZER', 'mailto:'.$this->email, ['CN' => $host]);
        foreach ($this->cancelled ? [] : self::REMINDERS as $minutes) {
            $event->add('VALARM', ['ACTION' => 'DISPLAY', 'DESCRIPTION' => $title, 'TRIGGER' => "-PT{$minutes}M"]);
        }
        $calendar->add($event);

        return $calendar->serialize();
    }

    /** Words as one line, without what no calendar shows: RFC 5545 lets no control characters into a text. */
    private static function line(string $words): string
    {
        return trim((string) preg_replace('/[\p{Cc}\p{Z}]+/u', ' ', mb_scrub($words)));
    }
}
