<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use DateTimeZone;

/** Finds the days that an email names as the end of something: "until 5 March", "closes on Friday", "by 2027-03-05". */
final class DeadlineWords
{
    private const MONTHS = ['january' => 1, 'february' => 2, 'march' => 3, 'april' => 4, 'may' => 5, 'june' => 6, 'july' => 7,
        'august' => 8, 'september' => 9, 'october' => 10, 'november' => 11, 'december' => 12];

    private const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

    /** Words that make a day in the same sentence the end of something. */
    private const END = '/\b(until|till|by|before|ends?|ending|closes?|closing|close|last (day|chance|call)|deadline|expires?|runs? '
        .'out|over (on|after)|midnight)\b/i';

    /**
     * @param  string  $text  plain text
     * @param  DateTimeImmutable  $from  when the email goes out, or now: days without a year are the nearest ones, days of the week the
     *     next ones
     * @return list<array{words: string, day: string}> in the order of the email; days as 2027-03-05, in the zone
     */
    public static function in(string $text, DateTimeImmutable $from, DateTimeZone $zone): array
    {
        $found = [];
        foreach (preg_split('/(?<=[.!?])\s+|\n+/u', $text) ?: [] as $sentence) {
            if (preg_match(self::END, $sentence) !== 1) {
                continue;
            }
            foreach (self::days($sentence, $from->setTimezone($zone)) as $day) {
                $found[] = $day;
            }
        }

        return $found;
    }

    /** @return list<array{words: string, day: string}> */
    private static function days(string $sentence, DateTimeImmutable $from): array
    {
        $months = implode('|', array_keys(self::MONTHS));
        $found = [];
        preg_match_all('/\b(\d{4})-(\d{2})-(\d{2})\b/', $sentence, $iso, PREG_SET_ORDER);
        foreach ($iso as $m) {
            self::add($found, $m[0], (int) $m[1], (int) $m[2], (int) $m[3]);
        }
        preg_match_all("/\\b(\\d{1,2})(?:st|nd|rd|th)?(?: of)? ({$months})(?:,? (\\d{4}))?\\b/i", $sentence, $dayFirst, PREG_SET_ORDER);
        foreach ($dayFirst as $m) {
            self::add($found, $m[0], (int) ($m[3] ?? 0), self::MONTHS[strtolower($m[2])], (int) $m[1], $from);
        }
        preg_match_all("/\\b({$months}) (\\d{1,2})(?:st|nd|rd|th)?(?!\\d)(?:,? (\\d{4}))?\\b/i", $sentence, $monthFirst, PREG_SET_ORDER);
        foreach ($monthFirst as $m) {
            self::add($found, $m[0], (int) ($m[3] ?? 0), self::MONTHS[strtolower($m[1])], (int) $m[2], $from);
        }
        if ($found === [] && preg_match('/\b('.implode('|', self::DAYS).'|tomorrow|today|tonight)\b/i', $sentence, $m) === 1) {
            $word = strtolower($m[1]);
            $at = array_search($word, self::DAYS, true);
            $ahead = match (true) {
                $at !== false => ((int) $at + 1 - (int) $from->format('N') + 7) % 7,
                $word === 'tomorrow' => 1,
                default => 0,
            };
            $found[] = ['words' => $m[1], 'day' => $from->modify("+{$ahead} days")->format('Y-m-d')];
        }

        return $found;
    }

    /** @param  list<array{words: string, day: string}>  $found */
    private static function add(array &$found, string $words, int $year, int $month, int $day, ?DateTimeImmutable $from = null): void
    {
        if ($year === 0 && $from !== null) {
            $year = (int) $from->format('Y');
            // The nearest of three: an email of December that says 5 January means the coming one.
            $distance = fn (int $y): float => abs((int) $from->format('U') - (int) gmmktime(12, 0, 0, $month, $day, $y));
            foreach ([$year - 1, $year + 1] as $other) {
                $year = $distance($other) < $distance($year) ? $other : $year;
            }
        }
        if (checkdate($month, $day, max(1, $year))) {
            $found[] = ['words' => $words, 'day' => sprintf('%04d-%02d-%02d', $year, $month, $day)];
        }
    }
}
