<?php

declare(strict_types=1);

namespace Tests\Core\Visits;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\Place;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Support\Shape;
use Lantern\Core\Visits\Opening;
use Lantern\Core\Visits\Openness;
use Lantern\Core\Visits\PageAct;
use Lantern\Core\Visits\PageAnswer;
use Lantern\Core\Visits\PageChoice;
use Lantern\Core\Visits\PageRequest;
use Lantern\Core\Visits\Seeing;
use Lantern\Core\Visits\SitePage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which page a visitor gets. */
final class PageChoiceTest extends TestCase
{
    private const NOW = '2026-12-01 12:00:00';

    private static function at(string $moment = self::NOW): DateTimeImmutable
    {
        return new DateTimeImmutable($moment.' UTC');
    }

    private static function page(PageRole $role, string $id = 'asked', array $products = [], array $forms = []): SitePage
    {
        return new SitePage($id, $role, $products, $forms);
    }

    private static function guards(string $after = 'page:late'): Guards
    {
        $deadline = Deadline::fromShape(Shape::of(['id' => 'd', 'name' => 'Price', 'duration' => ['days' => 3],
            'pages' => [['page' => 'asked']]]));

        return new Guards([$deadline], match (true) {
            $after === '' => [],
            str_starts_with($after, 'page:') => ['asked' => Place::page(substr($after, 5))],
            default => ['asked' => Place::url($after)],
        });
    }

    /** @return iterable<string, array{string, array<string, mixed>}> what they get, and the facts beside an open funnel */
    public static function requests(): iterable
    {
        $page = self::page(...);
        $closed = ['opening' => new Opening(FunnelState::Closed)];
        $closing = $page(PageRole::Closed, 'closed', [], ['list']);
        $over = ['guards' => self::guards(), 'states' => ['d' => DeadlineState::Over]];
        yield 'the page at the address' => ['show asked', ['asked' => $page(PageRole::Sales)]];
        yield 'nothing at the address' => ['say NotHere', []];
        yield 'a page that has another address now' => ['moved there', ['movedTo' => 'there']];
        yield 'a draft' => ['say NotHere', ['opening' => new Opening(FunnelState::Draft), 'asked' => $page(PageRole::Sales)]];
        yield 'never published' => ['say NotHere', ['opening' => new Opening(FunnelState::Live, false), 'asked' => $page(PageRole::Sales)]];

        yield 'early, and no page for it' => ['say NotOpenYet', ['opening' => new Opening(FunnelState::Live, true, self::at('2026-12-02')),
            'asked' => $page(PageRole::Sales)]];
        yield 'early, with a closed page' => ['show closed while closed', ['opening' => new Opening(FunnelState::Live, true,
            self::at('2026-12-02')), 'asked' => $page(PageRole::Sales), 'closedPage' => $closing]];
        yield 'at the very moment it opens' => ['show asked', ['opening' => new Opening(FunnelState::Live, true, self::at()),
            'asked' => $page(PageRole::Sales)]];
        yield 'at the very moment it closes' => ['say Closed', ['opening' => new Opening(FunnelState::Live, true, null, self::at()),
            'asked' => $page(PageRole::Sales)]];
        yield 'closed, and no page for it' => ['say Closed', $closed + ['asked' => $page(PageRole::Sales)]];
        yield 'closed, whatever is asked for' => ['show closed while closed', $closed + ['closedPage' => $closing]];

        yield 'the thank-you page of the waiting list' => ['show asked while closed', $closed + ['asked' => $page(PageRole::ThankYou),
            'closedPage' => $closing, 'joinedOn' => 'closed']];
        yield 'the thank-you page for whoever joined elsewhere' => ['show closed while closed', $closed + [
            'asked' => $page(PageRole::ThankYou), 'closedPage' => $closing, 'joinedOn' => 'other']];
        yield 'a sales page for whoever is on the waiting list' => ['show closed while closed', $closed + [
            'asked' => $page(PageRole::Sales), 'closedPage' => $closing, 'joinedOn' => 'closed']];
        yield 'nobody has joined on a page that is not there' => ['say Closed', $closed + ['asked' => $page(PageRole::ThankYou)]];
        foreach ([PageRole::Room, PageRole::Replay, PageRole::Confirmation] as $role) {
            yield "{$role->value} for whoever has a place" => ['show asked while closed', $closed + ['asked' => $page($role),
                'closedPage' => $closing, 'registered' => true]];
            yield "{$role->value} for nobody else" => ['show closed while closed', $closed + ['asked' => $page($role),
                'closedPage' => $closing]];
        }
        yield 'a guide for whoever reads it' => ['show asked while closed', $closed + ['asked' => $page(PageRole::Guide),
            'closedPage' => $closing, 'reads' => true]];
        yield 'a guide for nobody else' => ['show closed while closed', $closed + ['asked' => $page(PageRole::Guide),
            'closedPage' => $closing, 'registered' => true, 'joinedOn' => 'closed']];
        yield 'a reader gets no room' => ['show closed while closed', $closed + ['asked' => $page(PageRole::Room),
            'closedPage' => $closing, 'reads' => true]];
        yield 'a place opens no sales page' => ['show closed while closed', $closed + ['asked' => $page(PageRole::Sales),
            'closedPage' => $closing, 'registered' => true]];
        yield 'the room where there is no closed page' => ['show asked while closed', $closed + ['asked' => $page(PageRole::Room),
            'registered' => true]];

        yield 'the form of the closed page' => ['show closed while closed', $closed + ['closedPage' => $closing, 'act' => PageAct::Form,
            'form' => 'list']];
        yield 'another form, too late' => ['say Closed', $closed + ['closedPage' => $closing, 'act' => PageAct::Form, 'form' => 'other']];
        yield 'no form at all' => ['say Closed', $closed + ['closedPage' => $closing, 'act' => PageAct::Form]];
        yield 'a checkout, too late' => ['say Closed', $closed + ['asked' => $page(PageRole::Checkout), 'closedPage' => $closing,
            'act' => PageAct::Buy]];
        yield 'a checkout before it opens' => ['say Closed', ['opening' => new Opening(FunnelState::Live, true, self::at('2026-12-02')),
            'asked' => $page(PageRole::Checkout), 'closedPage' => $closing, 'act' => PageAct::Buy]];

        yield 'a page of buyers' => ['say ForBuyers', ['asked' => $page(PageRole::Delivery, products: ['p'])]];
        yield 'for one who has it' => ['show asked', ['asked' => $page(PageRole::Delivery, products: ['p', 'q']), 'products' => ['q']]];
        yield 'for one who has another' => ['say ForBuyers', ['asked' => $page(PageRole::Delivery, products: ['p']), 'products' => ['q']]];
        yield 'buyers come before deadlines' => ['say ForBuyers', ['asked' => $page(PageRole::Delivery, products: ['p'])] + $over];

        foreach (DeadlineState::cases() as $state) {
            yield "a deadline that is {$state->value}" => [$state->hasEnded() ? 'lead late' : 'show asked',
                ['asked' => $page(PageRole::Sales), 'guards' => self::guards(), 'states' => ['d' => $state]]];
        }
        yield 'over, to an address elsewhere' => ['lead https://example.com/', ['asked' => $page(PageRole::Sales),
            'guards' => self::guards('https://example.com/'), 'states' => ['d' => DeadlineState::Over]]];
        yield 'over, and nowhere to go' => ['say TimeIsUp', ['asked' => $page(PageRole::Sales), 'guards' => self::guards(''),
            'states' => ['d' => DeadlineState::Over]]];
        yield 'a form is led on like a visit' => ['lead late', ['asked' => $page(PageRole::Sales), 'act' => PageAct::Form] + $over];
        yield 'a checkout has its own word' => ['show asked', ['asked' => $page(PageRole::Checkout), 'act' => PageAct::Buy] + $over];
        yield 'the owner sees the page as it is' => ['show asked', ['asked' => $page(PageRole::Sales), 'unguarded' => true] + $over];
        yield 'a no to an extra offer leads on' => ['show asked', ['asked' => $page(PageRole::Upsell), 'act' => PageAct::Decline] + $over];
        yield 'a no elsewhere is a visit' => ['lead late', ['asked' => $page(PageRole::Sales), 'act' => PageAct::Decline] + $over];
    }

    /** @param  array<string, mixed>  $facts */
    #[DataProvider('requests')]
    public function test_what_they_get(string $expected, array $facts): void
    {
        $answer = PageChoice::of(new PageRequest(...$facts + ['opening' => new Opening(FunnelState::Live)]), self::at());

        self::assertSame($expected, self::words($answer));
    }

    private static function words(PageAnswer $answer): string
    {
        return match (true) {
            $answer->page !== null => "show {$answer->page}".($answer->whileClosed ? ' while closed' : ''),
            $answer->movedTo !== null => "moved {$answer->movedTo}",
            $answer->instead !== null => 'lead '.($answer->instead->page ?? $answer->instead->url),
            default => 'say '.$answer->notice?->name,
        };
    }

    public function test_it_is_early_before_it_opens_even_if_it_was_closed_by_hand(): void
    {
        $opening = new Opening(FunnelState::Closed, true, self::at('2026-12-02'), self::at('2026-12-03'));

        self::assertSame([Openness::Early, Openness::Closed], [$opening->at(self::at()), $opening->at(self::at('2026-12-02'))]);
    }

    /** @return iterable<string, array{bool, string, string|null, string|null}> */
    public static function fetches(): iterable
    {
        $browser = 'Mozilla/5.0 (X11) Gecko/20100101 Firefox/140.0';
        yield 'a person' => [true, 'GET', $browser, null];
        yield 'a form is no look' => [false, 'POST', $browser, null];
        yield 'only the head' => [false, 'HEAD', $browser, null];
        yield 'a program' => [false, 'GET', 'curl/8.0', null];
        yield 'no name' => [false, 'GET', null, null];
        yield 'ahead of time' => [false, 'GET', $browser, 'prefetch'];
        yield 'drawn ahead of time' => [false, 'GET', $browser, 'Prefetch;prerender'];
        yield 'only drawn' => [false, 'GET', $browser, 'prerender'];
    }

    #[DataProvider('fetches')]
    public function test_who_looks_at_a_page(bool $person, string $method, ?string $agent, ?string $purpose): void
    {
        self::assertSame($person, Seeing::isByAPerson($method, $agent, $purpose));
    }

    public function test_a_cache_holds_a_page_for_some_seconds_and_never_beyond_the_moment_at_which_the_funnel_closes(): void
    {
        $now = self::at('2026-12-01');
        foreach ([null => 10, '+1 hour' => 10, '+10 seconds' => 10, '+3 seconds' => 3, '+1 second' => 1,
            '-1 second' => 0] as $closes => $for) {
            $opening = new Opening(FunnelState::Live, closesAt: $closes === '' ? null : $now->modify($closes));
            self::assertSame($for, $opening->sharedFor($now), $closes);
        }
    }
}
