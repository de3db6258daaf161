<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Reconnection;
use Lantern\Core\Plan\Way;
use Lantern\Core\Plan\WaysAround;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What becomes of the ways when a page comes or goes. */
final class ReconnectionTest extends TestCase
{
    /**
     * A plan in shorthand.
     *
     * @param  array<string, PageRole>  $pages  roles by id
     * @param  list<string>  $ways  such as `opt-in joined thanks`
     */
    private static function plan(array $pages, array $ways): Plan
    {
        $plans = [];
        foreach ($pages as $id => $role) {
            $plans[] = new PagePlan($id, $role, ucfirst($id), $plans === [] ? '' : $id, new Document([], Background::paper()));
        }

        return new Plan('f', 'Funnel', Goal::Sell, 'funnel', 'harbour', new LookChanges, Plans::sender(), $plans,
            array_map(self::way(...), $ways));
    }

    private static function way(string $words): Way
    {
        [$page, $outcome, $target] = explode(' ', $words);

        return str_starts_with($target, 'https:') ? Way::outside($page, Outcome::from($outcome), $target)
            : Way::toPage($page, Outcome::from($outcome), $target);
    }

    private static function removed(Plan $plan, string $page): Reconnection
    {
        return Reconnection::removed($plan, $page, WaysAround::of($plan->ways, $plan->pages, [$page]));
    }

    /** @return list<string> */
    private static function written(Reconnection $result): array
    {
        $ways = array_map(fn (Way $w): string => "{$w->page} {$w->outcome->value} ".($w->toPage ?? $w->toUrl), $result->ways);
        sort($ways);

        return $ways;
    }

    /**
     * @return iterable<string, array{array<string, PageRole>, list<string>, string, list<string>, list<string>}> pages, ways, the page
     *     that goes, the ways then, what is said
     */
    public static function removals(): iterable
    {
        $sell = ['sales' => PageRole::Sales, 'more' => PageRole::Upsell, 'less' => PageRole::Downsell, 'home' => PageRole::Delivery,
            'shut' => PageRole::Closed];
        $ways = ['sales bought more', 'sales time-ran-out shut', 'more bought home', 'more declined less', 'less bought home',
            'less declined home'];

        yield 'a page in the middle: its visitors go on to where it led' => [
            $sell, $ways, 'more',
            ['less bought home', 'less declined home', 'sales bought home', 'sales time-ran-out shut'],
            ['Those who bought on “Sales” now go to “Home”.'],
        ];
        yield 'a smaller offer' => [
            $sell, $ways, 'less',
            ['more bought home', 'more declined home', 'sales bought more', 'sales time-ran-out shut'],
            ['Those who said no thanks on “More” now go to “Home”.'],
        ];
        yield 'the page everything ends on: what comes after it is the closed page, so the ways end' => [
            $sell, $ways, 'home',
            ['more declined less', 'sales bought more', 'sales time-ran-out shut'],
            [
                'Those who bought on “More” are now led nowhere: please choose where they go.',
                'Those who bought on “Less” are now led nowhere: please choose where they go.',
                'Those who said no thanks on “Less” are now led nowhere: please choose where they go.',
            ],
        ];
        yield 'the closed page' => [
            $sell, $ways, 'shut',
            ['less bought home', 'less declined home', 'more bought home', 'more declined less', 'sales bought more'],
            ['Those whose time ran out on “Sales” are now led nowhere: please choose where they go.'],
        ];
        yield 'the entry page: the next one is the first' => [
            $sell, $ways, 'sales',
            ['less bought home', 'less declined home', 'more bought home', 'more declined less'],
            ['“More” is now the first page visitors see.'],
        ];
        yield 'a page without a way of its own: its visitors go to the page after it' => [
            ['a' => PageRole::OptIn, 'b' => PageRole::ThankYou, 'c' => PageRole::Free], ['a joined b'], 'b',
            ['a joined c'], ['Those who joined on “A” now go to “C”.'],
        ];
        yield 'the last page' => [
            ['a' => PageRole::OptIn, 'b' => PageRole::ThankYou], ['a joined b'], 'b',
            [], ['Those who joined on “A” are now led nowhere: please choose where they go.'],
        ];
        yield 'a page that led outside' => [
            ['a' => PageRole::Sales, 'b' => PageRole::Upsell], ['a bought b', 'b bought https://shop.example/x'], 'b',
            ['a bought https://shop.example/x'], ['Those who bought on “A” now go to https://shop.example/x.'],
        ];
        yield 'two pages that led to one another: nobody is led to where they are' => [
            ['a' => PageRole::Upsell, 'b' => PageRole::Upsell, 'c' => PageRole::Delivery],
            ['a bought b', 'b bought a', 'a declined c', 'b declined c'], 'b',
            ['a bought c', 'a declined c'], ['Those who bought on “A” now go to “C”.'],
        ];
        yield 'a page that led to itself' => [
            ['a' => PageRole::Sales, 'b' => PageRole::Upsell, 'c' => PageRole::Delivery], ['a bought b', 'b bought b', 'b declined c'], 'b',
            ['a bought c'], ['Those who bought on “A” now go to “C”.'],
        ];
        yield 'a page nobody came to' => [['a' => PageRole::OptIn, 'b' => PageRole::Free], [], 'b', [], []];
        yield 'a page that is not there' => [['a' => PageRole::OptIn], ['a joined a'], 'x', ['a joined a'], []];
    }

    /**
     * @param  array<string, PageRole>  $pages
     * @param  list<string>  $ways
     * @param  list<string>  $after
     * @param  list<string>  $sentences
     */
    #[DataProvider('removals')]
    public function test_a_page_goes(array $pages, array $ways, string $gone, array $after, array $sentences): void
    {
        $result = self::removed(self::plan($pages, $ways), $gone);

        self::assertSame($after, self::written($result));
        self::assertSame($sentences, $result->sentences);
        foreach ($result->ways as $way) {
            self::assertNotSame($gone === 'x' ? '' : $gone, $way->page);
            self::assertNotSame($gone, $way->toPage);
        }
    }

    /**
     * @return iterable<string, array{array<string, PageRole>, list<string>, string, list<string>, list<string>}> pages with the new one
     *     among them, ways without it, the new one, the ways then, what is said
     */
    public static function additions(): iterable
    {
        yield 'between two that were connected' => [
            ['a' => PageRole::Sales, 'new' => PageRole::Upsell, 'b' => PageRole::Delivery], ['a bought b'], 'new',
            ['a bought new', 'new bought b', 'new declined b'],
            ['Those who bought on “A” now come to “New”.', 'From “New” those who bought go on to “B”.',
                'From “New” those who said no thanks go on to “B”.'],
        ];
        yield 'at the end of a way that led nowhere' => [
            ['a' => PageRole::OptIn, 'new' => PageRole::ThankYou], [], 'new',
            ['a joined new'], ['Those who joined on “A” now come to “New”.'],
        ];
        yield 'a page that leads nowhere by itself takes no way over' => [
            ['a' => PageRole::OptIn, 'new' => PageRole::Free, 'b' => PageRole::ThankYou], ['a joined b'], 'new', ['a joined b'], [],
        ];
        yield 'a confirmation page between a form and its thank-you page' => [
            ['a' => PageRole::Form, 'new' => PageRole::Confirmation, 'b' => PageRole::ThankYou], ['a joined b'], 'new',
            ['a joined new', 'new attended b'],
            ['Those who joined on “A” now come to “New”.', 'From “New” those who attended go on to “B”.'],
        ];
        yield 'a smaller offer between an offer and what comes after it' => [
            ['a' => PageRole::Upsell, 'new' => PageRole::Downsell, 'b' => PageRole::Delivery], ['a bought b', 'a declined b'], 'new',
            ['a bought b', 'a declined new', 'new bought b', 'new declined b'],
            ['Those who said no thanks on “A” now come to “New”.', 'From “New” those who bought go on to “B”.',
                'From “New” those who said no thanks go on to “B”.'],
        ];
        yield 'a page whose no leads on, its yes elsewhere' => [
            ['a' => PageRole::Sales, 'new' => PageRole::Upsell, 'b' => PageRole::Downsell, 'c' => PageRole::Delivery],
            ['a bought c', 'a declined b'], 'new',
            ['a bought c', 'a declined new', 'new bought b', 'new declined b'],
            ['Those who said no thanks on “A” now come to “New”.', 'From “New” those who bought go on to “B”.',
                'From “New” those who said no thanks go on to “B”.'],
        ];
        yield 'a way that skips is left alone' => [
            ['a' => PageRole::Sales, 'new' => PageRole::Upsell, 'b' => PageRole::Downsell, 'c' => PageRole::Delivery],
            ['a bought c', 'b bought c'], 'new',
            ['a bought c', 'b bought c', 'new bought b', 'new declined b'],
            ['From “New” those who bought go on to “B”.', 'From “New” those who said no thanks go on to “B”.'],
        ];
        yield 'a way that leads outside is left alone' => [
            ['a' => PageRole::OptIn, 'new' => PageRole::ThankYou], ['a joined https://else.example/'], 'new',
            ['a joined https://else.example/'], [],
        ];
        yield 'a closed page stands outside of the way' => [
            ['a' => PageRole::OptIn, 'new' => PageRole::Closed], [], 'new', [], [],
        ];
        yield 'before a closed page' => [
            ['a' => PageRole::Sales, 'new' => PageRole::Upsell, 'b' => PageRole::Closed], [], 'new', ['a bought new'],
            ['Those who bought on “A” now come to “New”.'],
        ];
        yield 'in front of everything' => [
            ['new' => PageRole::OptIn, 'a' => PageRole::ThankYou], [], 'new', ['new joined a'],
            ['From “New” those who joined go on to “A”.'],
        ];
        yield 'alone' => [['new' => PageRole::OptIn], [], 'new', [], []];
        yield 'not there' => [['a' => PageRole::OptIn], [], 'x', [], []];
    }

    /**
     * @param  array<string, PageRole>  $pages
     * @param  list<string>  $ways
     * @param  list<string>  $after
     * @param  list<string>  $sentences
     */
    #[DataProvider('additions')]
    public function test_a_page_comes(array $pages, array $ways, string $new, array $after, array $sentences): void
    {
        $result = Reconnection::added(self::plan($pages, $ways), $new);

        self::assertSame($after, self::written($result));
        self::assertSame($sentences, $result->sentences);
    }

    public function test_removed_pages_that_led_to_one_another_in_a_circle_lead_on_to_what_comes_after_them(): void
    {
        $plan = self::plan(['a' => PageRole::Sales, 'b' => PageRole::Upsell, 'c' => PageRole::Upsell, 'd' => PageRole::Delivery],
            ['a bought b', 'b bought c', 'c bought b']);

        self::assertEquals([self::way('a bought d')], WaysAround::of($plan->ways, $plan->pages, ['b', 'c']));
    }

    public function test_taking_out_any_page_of_any_starter_leaves_no_way_to_it(): void
    {
        foreach (Plans::all() as $plan) {
            foreach ($plan->pages as $page) {
                foreach (self::removed($plan, $page->id)->ways as $way) {
                    self::assertNotContains($page->id, [$way->page, $way->toPage]);
                    self::assertNotSame($way->page, $way->toPage, 'and nobody is led in a circle of one');
                }
            }
        }
    }
}
