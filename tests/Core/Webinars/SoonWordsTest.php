<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Webinars\SoonWords;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SoonWordsTest extends TestCase
{
    #[TestWith(['2026-06-01 17:00', '2026-06-01 10:00', 'begins today at 19:00'])]
    #[TestWith(['2026-06-01 17:00', '2026-05-31 21:30', 'begins tomorrow at 19:00'])]
    #[TestWith(['2026-06-01 21:30', '2026-06-01 22:30', 'runs now'])]
    #[TestWith(['2026-06-01 17:00', '2026-06-01 17:00', 'runs now'])]
    #[TestWith(['2026-06-01 22:30', '2026-06-01 21:00', 'begins tomorrow at 00:30'])]
    #[TestWith(['2026-06-03 17:00', '2026-06-01 10:00', 'begins on 3 June at 19:00'])]
    // The night in which the clocks go back has an hour more.
    #[TestWith(['2026-10-25 22:00', '2026-10-24 23:30', 'begins today at 23:00'])]
    #[TestWith(['2026-10-26 08:00', '2026-10-25 00:30', 'begins tomorrow at 09:00'])]
    public function test_it_is_told_by_the_hosts_own_clock(string $startsAt, string $now, string $words): void
    {
        $utc = new DateTimeZone('UTC');
        self::assertSame($words, SoonWords::of(new DateTimeImmutable($startsAt, $utc), new DateTimeImmutable($now, $utc),
            new DateTimeZone('Europe/Berlin')));
    }
}
