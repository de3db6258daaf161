<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;

/** Whole days of the owner's calendar, both ends included. */
final readonly class Period
{
    public const MOST_DAYS = 800;

    private function __construct(public string $from, public string $to)
    {
    }

    /** The last so many days, up to today. */
    public static function last(int $days, DateTimeImmutable $now, DateTimeZone $zone): self
    {
        $all = Days::last(min(self::MOST_DAYS, $days), $now, $zone);

        return new self($all[0], $all[count($all) - 1]);
    }

    /** @throws Invalid when the one is no date, the last comes before the first, or they are too far apart */
    public static function between(string $from, string $to): self
    {
        $first = self::dayOf($from, 'from');
        $last = self::dayOf($to, 'to');
        if ($last < $first) {
            throw Invalid::at('to', 'The last day comes before the first.');
        }
        if ($first->diff($last)->days >= self::MOST_DAYS) {
            throw Invalid::at('to', 'That is more than '.self::MOST_DAYS.' days. Please choose a shorter time.');
        }

        return new self($from, $to);
    }

    /** From a day on, without an end: for what is only added up. */
    public static function since(string $from): self
    {
        return new self($from, '2999-12-31');
    }

    public static function ever(): self
    {
        return self::since('0000-01-01');
    }

    /** @return list<string> each date, oldest first */
    public function days(): array
    {
        $days = [];
        $utc = new DateTimeZone('UTC');
        for ($day = new DateTimeImmutable($this->from, $utc); $day->format('Y-m-d') <= $this->to; $day = $day->modify('+1 day')) {
            $days[] = $day->format('Y-m-d');
        }

        return $days;
    }

    public function length(): int
    {
        return count($this->days());
    }

    /** As many days, right before. */
    public function before(): self
    {
        $utc = new DateTimeZone('UTC');
        $length = $this->length();

        return new self((new DateTimeImmutable($this->from, $utc))->modify("-{$length} days")->format('Y-m-d'),
            (new DateTimeImmutable($this->from, $utc))->modify('-1 day')->format('Y-m-d'));
    }

    /** The year right before it. */
    public function yearBefore(): self
    {
        $first = new DateTimeImmutable($this->from, new DateTimeZone('UTC'));

        return new self($first->modify('-365 days')->format('Y-m-d'), $first->modify('-1 day')->format('Y-m-d'));
    }

    /** When its first day begins on the owner's clocks, and when its last is over. */
    public function begins(DateTimeZone $zone): DateTimeImmutable
    {
        return (new DateTimeImmutable($this->from, $zone))->setTimezone(new DateTimeZone('UTC'));
    }

    public function ends(DateTimeZone $zone): DateTimeImmutable
    {
        return (new DateTimeImmutable($this->to, $zone))->modify('+1 day midnight')->setTimezone(new DateTimeZone('UTC'));
    }

    private static function dayOf(string $text, string $path): DateTimeImmutable
    {
        $date = preg_match('/^2\d{3}-\d\d-\d\d$/D', $text) === 1
            ? DateTimeImmutable::createFromFormat('!Y-m-d', $text, new DateTimeZone('UTC')) : false;
        if ($date === false || $date->format('Y-m-d') !== $text) {
            throw Invalid::at($path, 'Please choose a day.');
        }

        return $date;
    }
}
