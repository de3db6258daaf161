<?php

declare(strict_types=1);

namespace Tests\Core\Guides;

use Lantern\Core\Guides\FinishKind;
use Lantern\Core\Guides\FinishRule;
use Lantern\Core\Guides\PageProgress;
use Lantern\Core\Guides\PageReport;
use Lantern\Core\Guides\Progress;
use Lantern\Core\Guides\ReadablePage;
use Lantern\Core\Guides\Reading;
use Lantern\Core\Guides\Sitting;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is believed of what devices report of a guide, and what somebody has read by it. */
final class ReadingTest extends TestCase
{
    /** A Friday noon, in seconds since 1970. */
    private const NOON = 1_767_960_000;

    private const PAGES = ['cover' => 4, 'one' => 60, 'two' => 120, 'last' => 20];

    /** @return list<ReadablePage> */
    private static function pages(string ...$without): array
    {
        $pages = array_diff_key(self::PAGES, array_flip($without));

        return array_map(fn (string $id, int $s): ReadablePage => new ReadablePage($id, $s), array_keys($pages), $pages);
    }

    /** @param  list<array{string, int, int, int}>  $reports  page, from, until, how far down */
    private static function sitting(array $reports, int $now = 3600, int $began = 0, int $open = 0): Sitting
    {
        return Sitting::begun(self::NOON + $began, $open)->with(self::reports($reports), array_keys(self::PAGES),
            self::NOON + $began + $now);
    }

    /**
     * @param  list<array{string, int, int, int}>  $reports
     * @return list<PageReport>
     */
    private static function reports(array $reports): array
    {
        return array_map(fn (array $r): PageReport => new PageReport(...$r), $reports);
    }

    /** @return iterable<string, array{list<array{string, int, int, int}>, int, array<string, int>}> reports, seconds since, seconds by page */
    public static function reported(): iterable
    {
        yield 'as it was' => [[['cover', 0, 5, 100], ['one', 5, 50, 90]], 60, ['cover' => 5, 'one' => 45]];
        yield 'doubled' => [[['one', 5, 50, 90], ['one', 5, 50, 90], ['one', 5, 50, 90]], 60, ['one' => 45]];
        yield 'overlapping' => [[['one', 5, 30, 50], ['one', 20, 50, 90]], 60, ['one' => 45]];
        yield 'out of order' => [[['two', 50, 60, 10], ['one', 5, 50, 90]], 60, ['one' => 45, 'two' => 10]];
        yield 'one of them lost' => [[['one', 5, 20, 50], ['one', 35, 50, 90]], 60, ['one' => 30]];
        yield 'from the future' => [[['one', 0, 100_000, 100]], 60, ['one' => 60]];
        yield 'before it was opened' => [[['one', -500, 20, 100]], 60, ['one' => 20]];
        yield 'backwards' => [[['one', 50, 5, 100]], 60, []];
        yield 'nothing' => [[['one', 5, 5, 100]], 60, []];
        yield 'two pages at once: no more than there was time' => [[['one', 0, 60, 100], ['two', 0, 60, 100], ['last', 0, 60, 100]], 60,
            ['one' => 60, 'two' => 20]];
        yield 'a page there is not' => [[['other', 0, 60, 100]], 60, []];
        yield 'open for three days' => [[['one', 0, 259_200, 100]], 259_200, []];
        yield 'read for long, and left open' => [[['one', 0, 600, 100], ['one', 600, 259_200, 100]], 259_200, ['one' => 600]];
        yield 'half an hour on one page is all there is' => [[['one', 0, 1800, 100], ['one', 1800, 1830, 100]], 3600, ['one' => 1800]];
    }

    /**
     * @param  list<array{string, int, int, int}>  $reports
     * @param  array<string, int>  $seconds
     */
    #[DataProvider('reported')]
    public function test_what_is_believed_of_reports(array $reports, int $since, array $seconds): void
    {
        $reading = Reading::of([self::sitting($reports, $since)], self::pages(), new FinishRule);
        $found = array_map(fn (PageProgress $p): int => $p->seconds, $reading->pages);
        ksort($found);
        ksort($seconds);

        self::assertSame($seconds, $found);
    }

    public function test_the_clock_of_a_device_says_no_more_than_how_late_it_is(): void
    {
        self::assertSame(self::NOON - 8, self::sitting([], open: 8)->began);
        self::assertSame(self::NOON - 20, self::sitting([], open: 86_400)->began, 'nobody has read since yesterday who comes now');
        self::assertSame(self::NOON, self::sitting([], open: -50)->began);
    }

    public function test_what_was_kept_is_read_again_however_it_was_written(): void
    {
        $sitting = self::sitting([['cover', 0, 5, 100], ['one', 5, 50, 90]], 60);
        self::assertEquals($sitting, Sitting::read($sitting->began, json_decode((string) json_encode($sitting->written()), true),
            $sitting->scrolled));
        self::assertEquals(Sitting::begun(self::NOON, 0), Sitting::read(self::NOON, 'nonsense', null));
        self::assertSame([], Sitting::read(self::NOON, ['one' => 'x', 'two' => [[1, 'y']]], ['one' => 'far'])->written()['one']);
    }

    public function test_many_jumps_are_kept_in_bounded_room(): void
    {
        $reports = array_map(fn (int $i): array => ['one', 3 * $i, 3 * $i + 1, 10], range(0, 500));
        $kept = self::sitting($reports, 2000)->written()['one'];

        self::assertLessThanOrEqual(Sitting::MOST_INTERVALS, count($kept));
        self::assertSame([0, 1501], [$kept[0][0], $kept[count($kept) - 1][1]]);
    }

    public function test_two_devices_at_once_count_once(): void
    {
        $phone = self::sitting([['one', 0, 60, 40]], 60);
        $laptop = self::sitting([['one', 0, 60, 90]], 60, began: 30);
        $reading = Reading::of([$laptop, $phone], self::pages(), new FinishRule);

        self::assertSame([90, 90, 1], [$reading->seconds, $reading->pages['one']->seconds, $reading->stays]);
        self::assertSame(90, $reading->pages['one']->scrolled, 'the farther of both');
        // Each reads a page of its own at the same time: it is one person.
        $other = self::sitting([['two', 0, 60, 90]], 60);
        self::assertSame(60, Reading::of([$phone, $other], self::pages(), new FinishRule)->seconds);
    }

    public function test_stays_and_returns(): void
    {
        $reading = Reading::of([self::sitting([['cover', 0, 5, 100], ['one', 5, 50, 90]], 60),
            self::sitting([['one', 0, 20, 90], ['two', 20, 21, 0]], 60, began: 86_400),
            self::sitting([['two', 0, 50, 90]], 60, began: 86_400 + 1000)], self::pages(), new FinishRule);

        self::assertSame(2, $reading->stays, 'a quarter of an hour later is the same stay');
        self::assertSame([0, 1, 0], [$reading->pages['cover']->returns(), $reading->pages['one']->returns(),
            $reading->pages['two']->returns()]);
        self::assertSame('two', $reading->last);
        // The clocks going back in between change nothing: all of it is counted in seconds since 1970.
        self::assertSame(5 + 45 + 20 + 1 + 50, $reading->seconds);
    }

    /** @return iterable<string, array{int, int, int, bool}> seconds it takes, in view, how far down, is it read? */
    public static function reads(): iterable
    {
        yield 'a quarter of the time, and to the end' => [60, 15, 100, true];
        yield 'a second less' => [60, 14, 100, false];
        yield 'three quarters down' => [60, 15, 75, true];
        yield 'not so far' => [60, 600, 74, false];
        yield 'a long page asks for no more than twenty seconds' => [900, 20, 100, true];
        yield 'a cover is glanced at' => [1, 2, 100, true];
        yield 'and not passed by' => [1, 1, 100, false];
        yield 'an empty page' => [0, 2, 100, true];
    }

    #[DataProvider('reads')]
    public function test_a_page_is_read_by_time_and_by_how_far(int $takes, int $seconds, int $scrolled, bool $read): void
    {
        self::assertSame($read, (new ReadablePage('x', $takes))->isRead($seconds, $scrolled));
    }

    /** @return iterable<string, array{FinishRule, list<string>, list<string>, bool}> read, looked at, is it finished? */
    public static function finishes(): iterable
    {
        $share = fn (int $of): FinishRule => new FinishRule(FinishKind::Share, $of);
        yield 'all' => [new FinishRule, ['cover', 'one', 'two', 'last'], [], true];
        yield 'all but one' => [new FinishRule, ['cover', 'one', 'last'], ['two'], false];
        yield 'a share' => [$share(75), ['cover', 'one', 'two'], [], true];
        yield 'less than it' => [$share(76), ['cover', 'one', 'two'], [], false];
        yield 'pages that are gone count for nothing' => [$share(75), ['cover', 'one', 'old', 'older'], [], false];
        yield 'the last' => [new FinishRule(FinishKind::Last), [], ['last'], true];
        yield 'not the last' => [new FinishRule(FinishKind::Last), ['cover', 'one', 'two'], ['cover', 'one', 'two'], false];
    }

    /**
     * @param  list<string>  $read
     * @param  list<string>  $seen
     */
    #[DataProvider('finishes')]
    public function test_finished_by_a_rule(FinishRule $rule, array $read, array $seen, bool $finished): void
    {
        self::assertSame($finished, $rule->holds(array_keys(self::PAGES), $read, $seen));
        self::assertFalse($rule->holds([], $read, $seen), 'of nothing one is never through');
    }

    public function test_a_guide_that_changes_keeps_what_was_read(): void
    {
        $sitting = self::sitting([['cover', 0, 5, 100], ['one', 5, 50, 90], ['two', 50, 90, 90], ['last', 90, 100, 100]], 100);
        $before = Reading::of([$sitting], self::pages(), new FinishRule);
        self::assertSame([100, true], [$before->share, $before->finished]);
        // A page is removed: what was read of it counts no more, and neither is it missing.
        $after = Reading::of([$sitting], self::pages('two'), new FinishRule);
        self::assertSame([100, true, ['cover', 'one', 'last'], 100], [$after->share, $after->finished, $after->read(), $after->seconds]);
        // One comes: it is not read yet; who was through has been through all the same.
        $more = Reading::of([$sitting], [...self::pages(), new ReadablePage('new', 60)], new FinishRule);
        self::assertSame([80, false], [$more->share, $more->finished]);
        self::assertFalse(Progress::of($more)->finishesSince(Progress::of($before)));
        // A page gets ten times as long: it stays read.
        $longer = [new ReadablePage('cover', 4), new ReadablePage('one', 60), new ReadablePage('two', 1200), new ReadablePage('last', 20)];
        $short = self::sitting([['two', 50, 64, 90]], 100);
        self::assertSame([], Reading::of([$short], $longer, new FinishRule)->read());
        self::assertSame(['one', 'two'], Reading::of([$short], $longer, new FinishRule, ['two', 'one', 'gone'])->read());
    }

    public function test_what_is_news(): void
    {
        $none = new Progress;
        $glance = Progress::of(Reading::of([self::sitting([['cover', 0, 1, 100]], 60)], self::pages(), new FinishRule));
        self::assertFalse($glance->differsFrom($none), 'a second is no beginning');
        $some = Progress::of(Reading::of([self::sitting([['cover', 0, 5, 100], ['one', 5, 30, 90]], 60)], self::pages(), new FinishRule));
        self::assertTrue($some->beginsSince($none) && $some->differsFrom($none));
        self::assertSame([['cover', 'one'], 50], [$some->pagesSince($none), $some->share]);
        self::assertFalse($some->differsFrom($some));
        self::assertTrue((new Progress(true, ['cover'], 25, true))->finishesSince($some));
    }

    public function test_nothing_was_read_of_nothing(): void
    {
        $reading = Reading::of([], [], new FinishRule);
        self::assertSame([[], 0, 0, null, 0, false, false], [$reading->pages, $reading->seconds, $reading->stays, $reading->last,
            $reading->share, $reading->begun, $reading->finished]);
    }
}
