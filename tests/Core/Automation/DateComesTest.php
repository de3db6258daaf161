<?php

declare(strict_types=1);

namespace Tests\Core\Automation;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Events\Trigger\DateComes;
use Lantern\Core\Events\Trigger\DeadlineNear;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Days in fields of people come round, and deadlines come near: when, for whom, and whether it was late. */
final class DateComesTest extends TestCase
{
    /** @return iterable<string, array{DateComes, string, list<string>}> the calendar day, and what in a field comes round on it */
    public static function days(): iterable
    {
        yield 'that very day' => [new DateComes('f'), '2026-12-24', ['2026-12-24']];
        yield 'three days before it' => [new DateComes('f', days: -3), '2026-12-30', ['2027-01-02']];
        yield 'a day after it' => [new DateComes('f', days: 1), '2027-01-01', ['2026-12-31']];
        yield 'every year' => [new DateComes('f', true), '2026-12-24', ['12-24']];
        yield 'the 29th of February in a year without one' => [new DateComes('f', true), '2027-02-28', ['02-28', '02-29']];
        yield 'the 28th in a year with one' => [new DateComes('f', true), '2028-02-28', ['02-28']];
        yield 'the 29th in a year with one' => [new DateComes('f', true), '2028-02-29', ['02-29']];
        yield 'the day before the 29th, without one' => [new DateComes('f', true, -1), '2027-02-27', ['02-28', '02-29']];
    }

    /** @param  list<string>  $comes */
    #[DataProvider('days')]
    public function test_which_days_come_round(DateComes $trigger, string $today, array $comes): void
    {
        self::assertSame($comes, $trigger->daysComingOn($today));
        self::assertEquals($trigger, DateComes::ofKey($trigger->key()));
    }

    /** @return iterable<string, array{DateComes, string, string, string, string|null}> field, zone, after when, and when it comes next */
    public static function nexts(): iterable
    {
        yield 'this year' => [new DateComes('f', true), '1984-12-24', 'Europe/Berlin', '2026-12-01 00:00', '2026-12-24 08:00'];
        yield 'next year' => [new DateComes('f', true), '1984-12-24', 'Europe/Berlin', '2026-12-24 08:00', '2027-12-24 08:00'];
        yield 'on the other side of the date line' => [new DateComes('f', true), '1984-01-01', 'Pacific/Auckland', '2026-12-31 10:00',
            '2026-12-31 20:00'];
        yield 'the 29th of February' => [new DateComes('f', true), '2000-02-29', 'UTC', '2026-12-01 00:00', '2027-02-28 09:00'];
        yield 'a day before, over the year' => [new DateComes('f', true, -1), '1984-01-01', 'UTC', '2026-12-01 00:00', '2026-12-31 09:00'];
        yield 'once' => [new DateComes('f'), '2027-03-28', 'Europe/Berlin', '2026-12-01 00:00', '2027-03-28 07:00'];
        yield 'once, and over' => [new DateComes('f'), '2026-03-28', 'Europe/Berlin', '2026-12-01 00:00', null];
        yield 'no day' => [new DateComes('f', true), 'soon', 'UTC', '2026-12-01 00:00', null];
        yield 'a day that is not' => [new DateComes('f', true), '1984-02-30', 'UTC', '2026-12-01 00:00', null];
    }

    #[DataProvider('nexts')]
    public function test_when_a_day_comes_next(DateComes $trigger, string $day, string $zone, string $after, ?string $next): void
    {
        $utc = new DateTimeZone('UTC');
        self::assertSame($next, $trigger->next($day, new DateTimeZone($zone), new DateTimeImmutable($after, $utc))?->setTimezone($utc)
            ->format('Y-m-d H:i'));
    }

    public function test_a_day_comes_at_nine_and_not_for_what_was_before_it_was_waited_for(): void
    {
        $at = fn (string $moment): DateTimeImmutable => new DateTimeImmutable($moment, new DateTimeZone('UTC'));
        $has = fn (string $now, string $since): bool => DateComes::hasCome('2026-12-24', new DateTimeZone('Europe/Berlin'), $at($since),
            $at($now));
        self::assertFalse($has('2026-12-24 07:59', '2026-01-01'));
        self::assertTrue($has('2026-12-24 08:00', '2026-01-01'));
        self::assertTrue($has('2026-12-24 08:00', '2026-12-24 08:00'));
        self::assertFalse($has('2026-12-24 09:00', '2026-12-24 08:01'));
    }

    public function test_keys_are_read_as_they_are_written_and_nothing_else_is(): void
    {
        self::assertSame(['d', 24], DeadlineNear::ofKey((new DeadlineNear('d'))->key()));
        foreach (['deadline-near:d', 'deadline-near:d:x', 'deadline-over:d', 'date:f:yearly:0', ''] as $key) {
            self::assertNull(DeadlineNear::ofKey($key), $key);
        }
        foreach (['date:F:once:0', 'date:f:weekly:0', 'date:f:once:', 'tag:date:f:once:0', "date:f:once:0\n"] as $key) {
            self::assertNull(DateComes::ofKey($key), $key);
        }
    }
}
