<?php

declare(strict_types=1);

namespace Tests\Feature\Journey;

use App\Models\Business;
use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\Payments\Practice\Behaviour;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Deadlines\DeadlineTestCase;

/** Sequences that wait for what happens to an order, an address or a deadline. */
final class TriggersTest extends DeadlineTestCase
{
    /** @param  array<string, string>  $trigger */
    private function waitsFor(array $trigger): void
    {
        $sequence = $this->add(new SequencePlan(Ids::next(), 'Afterwards', Triggers::fromShape(Shape::of(['starts' => [$trigger]]),
            'starts')))
            ->id;
        $this->add(new EmailPlan(Ids::next(), 'About that', 'About that', '<p>x</p>', Delay::days(1, 9), $sequence));
        $this->publish();
    }

    private function planned(): int
    {
        return Message::query()->where('name', 'About that')->count();
    }

    /** The checkout without its deadline, so that anybody can buy. */
    private function order(Behaviour $card): Order
    {
        $this->changeDeadline(['pages' => [], 'offers' => []]);
        $this->buy(['method' => self::card($card)]);

        return $this->lastOrder();
    }

    public function test_money_that_goes_back(): void
    {
        $this->waitsFor(['kind' => 'refunded', 'offer' => $this->offerId('Regular price')]);
        $order = $this->order(Behaviour::Approves);
        self::assertSame(0, $this->planned());
        foreach (['a', 'b'] as $act) {
            $this->actingAs($this->seller)->postJson("/studio/api/orders/{$order->id}/refund", ['act' => str_repeat($act, 32),
                'lines' => [],
                'amount' => '10', 'endsAccess' => false, 'why' => ''])->assertOk();
        }

        self::assertSame(1, $this->planned(), 'twice is once');
        self::assertSame(['refunded', 'refunded'], DB::table('events')->where('type', 'refunded')->pluck('type')->all());
        $history = $this->getJson("/studio/api/people/{$order->person_id}")->json('history');
        $sold = DB::table('draft_parts')->where('kind', 'product')->pluck('name')->all();
        self::assertCount(2, array_filter($history, fn (array $h): bool => $h['kind'] === 'refunded' && in_array($h['what'], $sold, true)),
            'told by the name of what was bought');
    }

    public function test_money_that_goes_back_for_something_else_sets_nothing_off(): void
    {
        $this->waitsFor(['kind' => 'refunded', 'offer' => $this->offerId('The recordings')]);
        $order = $this->order(Behaviour::Approves);
        $this->actingAs($this->seller)->postJson("/studio/api/orders/{$order->id}/refund", ['act' => str_repeat('a', 32), 'lines' => [],
            'amount' => '10', 'endsAccess' => false, 'why' => ''])->assertOk();

        self::assertSame(0, $this->planned());
    }

    public function test_a_payment_that_fails(): void
    {
        $this->waitsFor(['kind' => 'payment-failed', 'offer' => $this->offerId('Regular price')]);
        $this->order(Behaviour::Declines);

        self::assertSame(1, $this->planned());
    }

    public function test_a_payment_that_fails_of_an_order_that_is_nobodys_yet_tells_nobody(): void
    {
        Person::query()->create(['business_id' => $this->seller->business_id, 'email' => 'ada@pupils.example',
            'email_key' => 'ada@pupils.example', 'joined_at' => now()]);
        $this->waitsFor(['kind' => 'payment-failed', 'offer' => $this->offerId('Regular price')]);
        $this->order(Behaviour::Declines);

        self::assertSame(0, $this->planned(), 'anybody may have typed the address');
    }

    public function test_time_that_runs_out(): void
    {
        $this->waitsFor(['kind' => 'deadline-over', 'deadline' => $this->deadline]);
        [$robin, $wren] = [$this->reader(), $this->reader('wren@example.com')];
        $this->click($robin);
        $this->anotherBrowser();
        $this->travelTo('2026-11-30 19:05:00');
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertSame(0, $this->planned(), 'in its grace it is not over');
        $this->travelTo('2026-11-30 19:10:00');
        $this->artisan('lantern:due')->assertSuccessful();
        $this->artisan('lantern:due')->assertSuccessful();

        self::assertSame([[$robin->id], 1], [Message::query()->where('name', 'About that')->pluck('person_id')->all(),
            DB::table('events')->where('type', 'deadline-over')->count()]);
        self::assertNotSame($robin->id, $wren->id);
        // Started once more by hand, it runs out once more.
        $this->actingAs($this->seller)->postJson("/studio/api/people/{$robin->id}/deadlines/{$this->deadline}",
            ['act' => 'start'])->assertOk();
        $this->travelTo('2026-12-04 10:00:00');
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertSame(2, DB::table('events')->where('type', 'deadline-over')->count());
    }

    public function test_time_that_had_run_out_before_anybody_waited_for_it(): void
    {
        $this->click($this->reader());
        $this->travelTo('2026-12-05 10:00:00');
        $this->artisan('lantern:due')->assertSuccessful();
        $this->waitsFor(['kind' => 'deadline-over', 'deadline' => $this->deadline]);
        $this->artisan('lantern:due')->assertSuccessful();

        self::assertSame(0, $this->planned());
    }

    /** @return iterable<string, array{bool}> did they join the funnel? */
    public static function people(): iterable
    {
        yield 'somebody who joined' => [true];
        yield 'somebody who did not' => [false];
    }

    #[DataProvider('people')]
    public function test_time_that_runs_out_for_everyone_runs_out_for_those_who_joined(bool $joined): void
    {
        $everyone = $this->add(Deadline::fromShape(Shape::of(['id' => Ids::next(), 'name' => 'Doors close', 'duration' => null,
            'latest' => ['moment' => '2026-12-01T20:00', 'zone' => 'UTC'], 'offers' => [$this->offerId('Regular price')]])))->id;
        $this->waitsFor(['kind' => 'deadline-over', 'deadline' => $everyone]);
        $robin = $this->reader();
        if ($joined) {
            DB::table('events')->insert(['business_id' => Business::query()->sole()->id, 'type' => 'joined',
                'funnel_id' => $this->funnel->id,
                'person_id' => $robin->id, 'at' => '2026-11-28 10:00:00.000000']);
        }
        $this->travelTo('2026-12-01 20:30:00');
        $this->artisan('lantern:due')->assertSuccessful();
        $this->artisan('lantern:due')->assertSuccessful();

        self::assertSame($joined ? 1 : 0, $this->planned());
    }
}
