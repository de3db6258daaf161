<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\OfferAccess;
use Lantern\Core\Deadlines\Place;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GuardsTest extends TestCase
{
    /**
     * @param  list<array{page: string, before?: string}>  $pages
     * @param  list<string>  $offers
     */
    private static function deadline(string $id, array $pages, array $offers = []): Deadline
    {
        return Deadline::fromShape(Shape::of(['id' => $id, 'name' => $id, 'duration' => ['days' => 3], 'pages' => $pages,
            'offers' => $offers]));
    }

    /** @return iterable<string, array{array<string, DeadlineState>, string, Place}> */
    public static function places(): iterable
    {
        [$not, $on, $last, $grace, $over] = DeadlineState::cases();
        yield 'a page that nothing guards' => [['a' => $over], 'free', Place::page('free')];
        yield 'not started: another page' => [[], 'intro', Place::page('regular')];
        yield 'running: as usual' => [['a' => $on], 'intro', Place::page('intro')];
        yield 'in its last stretch: as usual' => [['a' => $last], 'intro', Place::page('intro')];
        yield 'within grace: nobody is shown it' => [['a' => $grace], 'intro', Place::page('regular')];
        yield 'over: the after-deadline page' => [['a' => $over], 'intro', Place::page('regular')];
        yield 'not started: as usual, where nothing else is said' => [['a' => $on], 'checkout', Place::page('checkout')];
        yield 'over: an address elsewhere' => [['a' => $over], 'checkout', Place::url('https://example.com')];
        yield 'over, and nobody said where to' => [['a' => $over], 'lost', Place::nowhere()];
        yield 'led to a page that is over, too' => [['a' => $over, 'b' => $over], 'intro', Place::page('closed')];
        yield 'of two the one that is over holds' => [['b' => $over], 'both', Place::page('closed')];
        yield 'of two the one that has not begun' => [['b' => $on], 'both', Place::page('free')];
        yield 'in a circle' => [['c' => $over], 'round', Place::nowhere()];
    }

    /** @param  array<string, DeadlineState>  $states */
    #[DataProvider('places')]
    public function test_what_a_visitor_gets_at_an_address(array $states, string $page, Place $place): void
    {
        $guards = new Guards([
            self::deadline('a', [['page' => 'intro', 'before' => 'regular'], ['page' => 'checkout'], ['page' => 'lost'],
                ['page' => 'both', 'before' => 'free']]),
            self::deadline('b', [['page' => 'regular'], ['page' => 'both']]),
            self::deadline('c', [['page' => 'round'], ['page' => 'about']]),
        ], ['intro' => Place::page('regular'), 'checkout' => Place::url('https://example.com'), 'regular' => Place::page('closed'),
            'both' => Place::page('closed'), 'round' => Place::page('about'), 'about' => Place::page('round')]);

        self::assertEquals($place, $guards->page($page, $states));
    }

    /** @return iterable<string, array{array<string, DeadlineState>, string, bool, OfferAccess}> */
    public static function offers(): iterable
    {
        [$not, $on, $last, $grace, $over] = DeadlineState::cases();
        yield 'one that nothing guards' => [['strict' => $over], 'regular', false, OfferAccess::Open];
        yield 'running' => [['strict' => $on], 'intro', false, OfferAccess::Open];
        yield 'in its last stretch' => [['strict' => $last], 'intro', false, OfferAccess::Open];
        yield 'within grace, from a checkout that was open' => [['strict' => $grace], 'intro', true, OfferAccess::Open];
        yield 'within grace, by a kept address' => [['strict' => $grace], 'intro', false, OfferAccess::Over];
        yield 'over, though the checkout was open' => [['strict' => $over], 'intro', true, OfferAccess::Over];
        yield 'not begun, where people are led elsewhere until then' => [[], 'intro', true, OfferAccess::NotBegun];
        yield 'not begun, where they see the page as usual' => [[], 'lenient', false, OfferAccess::Open];
        yield 'over there' => [['open' => $over], 'lenient', false, OfferAccess::Over];
        yield 'of two both must run' => [['strict' => $on, 'open' => $over], 'both', false, OfferAccess::Over];
        yield 'of two one has not begun' => [['open' => $on], 'both', false, OfferAccess::NotBegun];
        yield 'one not begun and the other over' => [['open' => $over], 'both', false, OfferAccess::Over];
    }

    /** @param  array<string, DeadlineState>  $states */
    #[DataProvider('offers')]
    public function test_whether_an_offer_can_be_bought(array $states, string $offer, bool $wasOpen, OfferAccess $access): void
    {
        $guards = new Guards([self::deadline('strict', [['page' => 'p', 'before' => 'q']], ['intro', 'both']),
            self::deadline('open', [['page' => 'p']], ['lenient', 'both'])], []);

        self::assertSame($access, $guards->offer($offer, $states, $wasOpen));
    }
}
