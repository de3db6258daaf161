<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use DateTimeImmutable;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Journey\Journey;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What follows from buying, and from saying no thanks. */
final class PurchaseTest extends TestCase
{
    private const AT = '2026-10-25T00:30:00Z';

    /** @param  array<string, mixed>  $more  of the first sequence, which First Season starts */
    private static function plan(array $more = []): Plan
    {
        return Plans::changed(function (array $p) use ($more): array {
            $p['sequences'][0] = $more + $p['sequences'][0];
            $p['sequences'][] = ['id' => 'persuades', 'name' => 'Persuades', 'starts' => [['kind' => 'tag', 'tag' => 'Curious']],
                'ends' => [['kind' => 'bought-offer', 'offer' => $p['offers'][0]['id']]]];
            $p['sequences'][] = ['id' => 'any', 'name' => 'Any', 'starts' => [], 'ends' => [['kind' => 'bought']]];

            return $p;
        }, Plans::of(Goal::Sell));
    }

    /** @param  list<int>  $offers  by their place in the plan */
    private static function decide(Plan $plan, PageRole $page, EventType $type, array $offers, ?PersonState $person = null): Decision
    {
        return (new Journey($plan))->decide($person ?? Known::person('Europe/Berlin'), new Event($type,
            new DateTimeImmutable(self::AT), $plan->pageOf($page)?->id,
            offers: array_map(fn (int $o): string => $plan->offers[$o]->id, $offers)));
    }

    /** @return list<string> */
    private static function names(Decision $decision, Plan $plan): array
    {
        return array_map(fn (Effect $e): string => match (true) {
            $e instanceof GiveProduct => 'give '.$plan->product($e->product)?->name,
            $e instanceof AddTag => "tag {$e->tag}",
            $e instanceof StartSequence => 'start '.$plan->nameOf($e->sequence),
            $e instanceof StopSequence => 'stop '.$plan->nameOf($e->sequence),
            $e instanceof SendReceipt => 'receipt '.$e->at->format('H:i'),
            default => (new \ReflectionClass($e))->getShortName(),
        }, array_values(array_filter($decision->effects, fn (Effect $e): bool => ! $e instanceof SendEmail)));
    }

    /** @return iterable<string, array{PageRole, EventType, list<int>, PageRole, list<string>}> */
    public static function steps(): iterable
    {
        $bought = EventType::Bought;
        $no = EventType::Declined;
        yield 'with an extra offer to come, the receipt waits' => [PageRole::Checkout, $bought, [0], PageRole::Upsell, [
            'give First Season', 'tag Bought First Season', 'start Welcome to First Season', 'TellOwnerOfSale', 'receipt 01:00']];
        yield 'with a bump' => [PageRole::Checkout, $bought, [0, 2], PageRole::Upsell, ['give First Season', 'tag Bought First Season',
            'start Welcome to First Season', 'give The recordings', 'tag Bought the recordings', 'TellOwnerOfSale', 'receipt 01:00']];
        yield 'yes, at the end of the chain' => [PageRole::Upsell, $bought, [1], PageRole::Delivery,
            ['give A private hour', 'tag Bought a private hour', 'TellOwnerOfSale', 'receipt 00:30']];
        yield 'no, and something smaller comes' => [PageRole::Upsell, $no, [1], PageRole::Downsell, []];
        yield 'no again' => [PageRole::Downsell, $no, [2], PageRole::Delivery, ['receipt 00:30']];
    }

    /**
     * @param  list<int>  $offers
     * @param  list<string>  $names
     */
    #[DataProvider('steps')]
    public function test_what_follows(PageRole $page, EventType $type, array $offers, PageRole $to, array $names): void
    {
        $plan = self::plan(['name' => 'Welcome to First Season']);
        $decision = self::decide($plan, $page, $type, $offers);

        self::assertSame($to, $plan->page((string) $decision->way?->toPage)?->role);
        self::assertSame($names, self::names($decision, $plan));
    }

    /** @return iterable<string, array{PageRole, EventType, list<int>, PageRole, string}> */
    public static function passedBy(): iterable
    {
        yield 'nothing is closed' => [PageRole::Checkout, EventType::Bought, [], PageRole::Upsell, '01:00'];
        yield 'the first extra offer is sold out' => [PageRole::Checkout, EventType::Bought, [1], PageRole::Downsell, '01:00'];
        yield 'both are' => [PageRole::Checkout, EventType::Bought, [1, 2], PageRole::Delivery, '00:30'];
        yield 'no, and they have the smaller one already' => [PageRole::Upsell, EventType::Declined, [2], PageRole::Delivery, '00:30'];
        yield 'what is no extra offer is never passed by' => [PageRole::Sales, EventType::Bought, [0], PageRole::Checkout, '00:30'];
    }

    /** @param  list<int>  $closed  offers by their place in the plan */
    #[DataProvider('passedBy')]
    public function test_extra_offers_that_cannot_be_taken_are_passed_by(
        PageRole $page,
        EventType $type,
        array $closed,
        PageRole $to,
        string $receipt,
    ): void {
        $plan = Plans::changed(function (array $p): array {
            $p['ways'][] = ['page' => $p['pages'][0]['id'], 'outcome' => 'bought', 'toPage' => $p['pages'][1]['id']];

            return $p;
        }, self::plan());
        $decision = (new Journey($plan))->decide(Known::person('UTC'), new Event($type, new DateTimeImmutable(self::AT),
            $plan->pageOf($page)?->id, offers: [$plan->offers[0]->id],
            closed: array_map(fn (int $o): string => $plan->offers[$o]->id, $closed)));

        self::assertSame($to, $plan->page((string) $decision->way?->toPage)?->role);
        self::assertSame([$receipt], array_map(fn (SendReceipt $r): string => $r->at->format('H:i'),
            $decision->effectsOf(SendReceipt::class)));
    }

    public function test_extra_offers_that_lead_in_a_circle_come_to_an_end(): void
    {
        $plan = Plans::changed(function (array $p): array {
            foreach ($p['ways'] as $i => $way) {
                if ($way['outcome'] === 'declined' && $way['page'] === $p['pages'][3]['id']) {
                    $p['ways'][$i]['toPage'] = $p['pages'][2]['id'];
                }
            }

            return $p;
        }, self::plan());

        self::assertNotNull((new Journey($plan))->onward($plan->pageOf(PageRole::Checkout)?->id, Outcome::Bought,
            [$plan->offers[1]->id, $plan->offers[2]->id]));
    }

    public function test_buying_this_ends_what_persuades_to_buy_it_and_buying_another_does_not(): void
    {
        $plan = self::plan();
        $in = Known::person('UTC', sequences: ['persuades' => true, 'any' => true]);

        self::assertSame(['stop Persuades', 'stop Any'], array_values(array_filter(
            self::names(self::decide($plan, PageRole::Checkout, EventType::Bought, [0], $in), $plan),
            fn (string $n): bool => str_starts_with($n, 'stop'))));
        self::assertSame(['stop Any'], array_values(array_filter(
            self::names(self::decide($plan, PageRole::Upsell, EventType::Bought, [1], $in), $plan),
            fn (string $n): bool => str_starts_with($n, 'stop'))));
    }

    public function test_one_product_in_two_offers_is_given_once(): void
    {
        $plan = Plans::changed(function (array $p): array {
            $p['offers'][2]['product'] = $p['offers'][0]['product'];

            return $p;
        }, self::plan());
        $decision = self::decide($plan, PageRole::Checkout, EventType::Bought, [0, 2]);

        self::assertCount(1, $decision->effectsOf(GiveProduct::class));
        self::assertCount(1, $decision->effectsOf(StartSequence::class));
        self::assertCount(1, $decision->effectsOf(TellOwnerOfSale::class));
    }

    public function test_a_tag_they_have_is_not_given_again_and_an_offer_that_is_gone_gives_nothing(): void
    {
        $plan = self::plan();
        $had = Known::person('UTC', [], ['Bought First Season']);
        self::assertSame([], self::decide($plan, PageRole::Checkout, EventType::Bought, [0], $had)->effectsOf(AddTag::class));
        $gone = (new Journey($plan))->decide($had, new Event(EventType::Bought, new DateTimeImmutable(self::AT),
            $plan->pageOf(PageRole::Checkout)?->id, offers: ['gone']));

        self::assertSame([], $gone->effectsOf(GiveProduct::class));
        self::assertCount(1, $gone->effectsOf(SendReceipt::class), 'they have paid for it all the same');
    }

    public function test_what_was_bought_elsewhere_sends_no_receipt_of_ours(): void
    {
        $plan = self::plan();

        self::assertSame([], self::decide($plan, PageRole::Sales, EventType::Bought, [])->effectsOf(SendReceipt::class));
    }

    public function test_the_first_email_after_buying_is_due_at_once_and_a_later_one_by_the_buyers_clock(): void
    {
        $plan = Plans::changed(function (array $p): array {
            $p['emails'][] = ['id' => 'day1', 'name' => 'Day 1', 'subject' => 'x', 'body' => 'x', 'timing' => ['from' => 'joining',
                'days' => 1, 'hour' => 9],
                'sequence' => $p['sequences'][0]['id']];

            return $p;
        }, self::plan());
        // 00:30 UTC is 02:30 of the day on which Berlin puts its clocks back.
        $emails = self::decide($plan, PageRole::Checkout, EventType::Bought, [0])->effectsOf(SendEmail::class);

        self::assertContains('2026-10-26T08:00', array_map(fn (SendEmail $e): string => $e->at->format('Y-m-d\TH:i'), $emails));
    }
}
