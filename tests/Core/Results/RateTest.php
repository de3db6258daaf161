<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;
use Lantern\Core\Results\Bots;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Rate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RateTest extends TestCase
{
    /**
     * Worked out independently, with exact fractions, from Wilson's formula.
     *
     * @return iterable<string, array{int, int, float, float, float}>
     */
    public static function intervals(): iterable
    {
        yield 'none of ten' => [0, 10, 0.0, 0.0, 0.277533];
        yield 'all of ten' => [10, 10, 1.0, 0.722467, 1.0];
        yield 'half of ten' => [5, 10, 0.5, 0.236593, 0.763407];
        yield 'one of one' => [1, 1, 1.0, 0.206549, 1.0];
        yield 'ten of a hundred' => [10, 100, 0.1, 0.055229, 0.174366];
        yield 'the demo' => [434, 1400, 0.31, 0.286321, 0.334718];
        yield 'a million' => [300_000, 1_000_000, 0.3, 0.299103, 0.300899];
    }

    #[DataProvider('intervals')]
    public function test_the_rate_and_where_it_truly_lies(int $successes, int $trials, float $rate, float $low, float $high): void
    {
        $found = Rate::of($successes, $trials);

        self::assertEqualsWithDelta($rate, $found->rate, 1e-12);
        self::assertEqualsWithDelta($low, $found->low, 1e-6);
        self::assertEqualsWithDelta($high, $found->high, 1e-6);
    }

    public function test_nobody_came_and_more_joined_than_were_seen(): void
    {
        self::assertSame(['successes' => 0, 'trials' => 0, 'rate' => null, 'low' => null, 'high' => null], Rate::of(0, 0)->toArray());
        self::assertSame([3, 3, 1.0], [Rate::of(3, 2)->successes, Rate::of(3, 2)->trials, Rate::of(3, 2)->rate]);
        $this->expectException(InvalidArgumentException::class);
        Rate::of(-1, 5);
    }

    public function test_days_are_calendar_days_in_the_owners_zone(): void
    {
        $berlin = new DateTimeZone('Europe/Berlin');
        // Half past midnight in Berlin on the day after the clocks went forward.
        $now = new DateTimeImmutable('2026-03-29 22:30:00', new DateTimeZone('UTC'));

        self::assertSame('2026-03-30', Days::of($now, $berlin));
        self::assertSame(['2026-03-27', '2026-03-28', '2026-03-29', '2026-03-30'], Days::last(4, $now, $berlin));
        self::assertSame(['2026-03-29'], Days::last(0, $now, new DateTimeZone('America/New_York')));
    }

    /** @return iterable<string, array{string|null, bool}> */
    public static function agents(): iterable
    {
        yield 'a desktop browser' => ['Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36',
            false];
        yield 'a phone' => ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) '
            .'Version/19.0 Mobile/15E148 Safari/604.1', false];
        yield 'a browser beside it' => ['Mozilla/5.0 (Windows NT 10.0; rv:140.0) Gecko/20100101 Firefox/140.0', false];
        yield 'a crawler' => ['Mozilla/5.0 (compatible; Somebot/2.1; +https://crawler.example)', true];
        yield 'a link preview' => ['LinkPreviewer/1.0', true];
        yield 'a tool' => ['curl/8.5.0', true];
        yield 'no name' => ['', true];
        yield 'none at all' => [null, true];
    }

    #[DataProvider('agents')]
    public function test_programs_are_told_from_people(?string $agent, bool $bot): void
    {
        self::assertSame($bot, Bots::is($agent));
    }
}
