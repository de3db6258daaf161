<?php

declare(strict_types=1);

namespace Tests\Core\Warmth;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\People\Subscription;
use Lantern\Core\Warmth\Band;
use Lantern\Core\Warmth\SpokenTo;
use Lantern\Core\Warmth\Warming;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WarmingTest extends TestCase
{
    /** @return iterable<string, array{int, int, bool}> before, after; did they become warm? */
    public static function scores(): iterable
    {
        yield 'one short of warm' => [0, 29, false];
        yield 'just warm' => [29, 30, true];
        yield 'from nothing to hot at once' => [0, 60, true];
        yield 'from mild to hot' => [10, 100, true];
        yield 'warm already' => [30, 59, false];
        yield 'from warm to hot' => [59, 60, false];
        yield 'cooler than before' => [60, 30, false];
        yield 'no longer warm' => [30, 29, false];
        yield 'nothing changed' => [30, 30, false];
    }

    #[DataProvider('scores')]
    public function test_somebody_becomes_warm_when_they_come_from_below(int $before, int $after, bool $became): void
    {
        foreach (Subscription::cases() as $standing) {
            $warming = Warming::of($before, $after, $standing);
            $left = in_array($standing, [Subscription::Unsubscribed, Subscription::Bounced, Subscription::Complained], true);
            self::assertSame($became && ! $left, $warming->becameWarm(), $standing->value);
            self::assertSame($left ? [Band::Cold, Band::Cold] : [Band::of($before), Band::of($after)], [$warming->from, $warming->to],
                $standing->value);
        }
    }

    /** @return iterable<string, array{string, string, string}> now, the owner's zone; the moment before which it was long ago, in UTC */
    public static function moments(): iterable
    {
        yield 'no clock changes' => ['2026-06-30 12:00:00', 'Europe/Berlin', '2026-06-16 12:00:00'];
        yield 'the clock went forward in between' => ['2026-04-05 12:00:00', 'Europe/Berlin', '2026-03-22 13:00:00'];
        yield 'the clock went back in between' => ['2026-11-01 12:00:00', 'Europe/Berlin', '2026-10-18 11:00:00'];
        yield 'that hour is left out there' => ['2026-04-12 00:30:00', 'Europe/Berlin', '2026-03-29 01:30:00'];
        yield 'a zone without summer time' => ['2026-04-05 12:00:00', 'Asia/Kolkata', '2026-03-22 12:00:00'];
    }

    #[DataProvider('moments')]
    public function test_whoever_was_spoken_to_is_left_out_for_two_weeks_by_the_owners_clock(string $now, string $zone, string $long): void
    {
        $utc = new DateTimeZone('UTC');
        self::assertSame($long, SpokenTo::longAgo(new DateTimeImmutable($now, $utc), new DateTimeZone($zone))->setTimezone($utc)
            ->format('Y-m-d H:i:s'));
    }
}
