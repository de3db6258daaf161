<?php

declare(strict_types=1);

namespace Tests\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DelayTest extends TestCase
{
    /** @return iterable<string, array{Delay, string, string, string}> delay, joined (UTC), zone, due (UTC) */
    public static function dueTimes(): iterable
    {
        yield 'at once' => [Delay::atOnce(), '2026-03-28 20:00:00.250', 'Europe/Berlin', '2026-03-28 20:00:00.250'];
        yield 'minutes are elapsed time across the change of the clocks' => [Delay::minutes(120), '2026-03-29 00:30:00.000',
            'Europe/Berlin', '2026-03-29 02:30:00.000'];
        yield 'a day is a calendar day: 23 hours when the clocks go forward' => [Delay::days(1), '2026-03-28 20:00:00.000', 'Europe/Berlin',
            '2026-03-29 19:00:00.000'];
        yield 'and 25 hours when they go back' => [Delay::days(1), '2026-10-24 20:00:00.000', 'Europe/Berlin', '2026-10-25 21:00:00.000'];
        yield 'an hour the clocks skip becomes the next that exists' => [Delay::days(1, 2), '2026-03-28 12:00:00.000', 'Europe/Berlin',
            '2026-03-29 01:00:00.000'];
        yield 'of an hour that happens twice the first counts' => [Delay::days(1, 2), '2026-10-24 12:00:00.000', 'Europe/Berlin',
            '2026-10-25 00:00:00.000'];
        yield 'and so for those who joined at half past' => [Delay::days(1), '2026-10-24 00:30:00.000', 'Europe/Berlin',
            '2026-10-25 00:30:00.000'];
        yield 'the hour after it happens once' => [Delay::days(1, 3), '2026-10-24 12:00:00.000', 'Europe/Berlin',
            '2026-10-25 02:00:00.000'];
        yield 'joined in an hour the next day skips' => [Delay::days(1), '2026-03-28 01:30:00.500', 'Europe/Berlin',
            '2026-03-29 01:30:00.500'];
        yield 'in the reader\'s zone, not in ours' => [Delay::days(1, 9), '2026-06-01 03:00:00.000', 'America/Los_Angeles',
            '2026-06-01 16:00:00.000'];
        yield 'a zone ahead of us is a day further' => [Delay::days(1, 9), '2026-06-01 20:00:00.000', 'Pacific/Auckland',
            '2026-06-02 21:00:00.000'];
        yield 'over the end of a short month' => [Delay::days(3, 9), '2026-02-26 10:00:00.000', 'UTC', '2026-03-01 09:00:00.000'];
        yield 'over a leap day' => [Delay::days(3, 9), '2028-02-26 10:00:00.000', 'UTC', '2028-02-29 09:00:00.000'];
        yield 'over the turn of the year' => [Delay::days(7), '2026-12-28 10:00:00.000', 'UTC', '2027-01-04 10:00:00.000'];
        yield 'a zone with half hours' => [Delay::days(1, 9), '2026-06-01 10:00:00.000', 'Asia/Kolkata', '2026-06-02 03:30:00.000'];
    }

    #[DataProvider('dueTimes')]
    public function test_when_an_email_is_due(Delay $delay, string $joined, string $zone, string $due): void
    {
        $moment = $delay->from(new DateTimeImmutable($joined, new DateTimeZone('UTC')), new DateTimeZone($zone));

        self::assertSame($due, $moment->format('Y-m-d H:i:s.v'));
        self::assertSame('UTC', $moment->getTimezone()->getName());
    }

    /** @return iterable<string, array{Delay, string, int}> */
    public static function labels(): iterable
    {
        yield 'at once' => [Delay::atOnce(), 'at once', 0];
        yield 'one minute' => [Delay::minutes(1), '1 minute later', 1];
        yield 'odd minutes' => [Delay::minutes(90), '90 minutes later', 90];
        yield 'an hour' => [Delay::minutes(60), '1 hour later', 60];
        yield 'hours' => [Delay::minutes(180), '3 hours later', 180];
        yield 'a day' => [Delay::days(1), 'day 1', 1440];
        yield 'a day with its hour' => [Delay::days(3, 9), 'day 3 at 09:00', 4320];
    }

    #[DataProvider('labels')]
    public function test_it_says_itself_in_words_and_stands_on_the_scale(Delay $delay, string $label, int $offset): void
    {
        self::assertSame([$label, $offset], [$delay->words(), $delay->offset()]);
        self::assertEquals($delay, Delay::fromShape(Shape::of($delay->toArray())));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function nonsense(): iterable
    {
        yield 'before joining' => [['minutes' => -5]];
        yield 'too many minutes' => [['minutes' => 43_201]];
        yield 'too many days' => [['days' => 366]];
        yield 'no such hour' => [['days' => 1, 'hour' => 24]];
        yield 'words' => [['days' => 'three']];
        yield 'half a day' => [['days' => 0.5]];
    }

    /** @param  array<string, mixed>  $written */
    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused(array $written): void
    {
        $this->expectException(Invalid::class);
        Delay::fromShape(Shape::of($written));
    }
}
