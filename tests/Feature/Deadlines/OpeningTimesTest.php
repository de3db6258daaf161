<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Drafts\DraftRows;
use App\Drafts\NewFunnel;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Order;
use App\Models\Submission;
use App\Support\Ids;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Way;
use Lantern\Core\Support\Shape;
use Tests\Core\Plan\Plans;
use Tests\Feature\Sales\SalesTestCase;

/** A funnel opens and closes at a moment for everyone, on time and once. */
final class OpeningTimesTest extends SalesTestCase
{
    /** @param  array<string, mixed>  $times */
    private function open(array $times): void
    {
        $this->travelTo('2026-11-27 10:00:00');
        $this->actingAs($this->seller)->putJson("/studio/api/funnels/{$this->funnel->id}", ['times' => $times])->assertOk();
        $this->publish();
    }

    private const TIMES = ['opens' => ['moment' => '2026-12-04T18:00', 'zone' => 'Europe/Oslo'],
        'closes' => ['moment' => '2026-12-11T20:00', 'zone' => 'Europe/Oslo']];

    public function test_it_opens_and_closes_by_itself_to_the_second_whether_the_clock_of_the_application_ran_or_not(): void
    {
        $this->open(self::TIMES);
        $sales = $this->url(PageRole::Sales);
        foreach (['2026-12-04 16:59:59' => false, '2026-12-04 17:00:00' => true, '2026-12-11 18:59:59' => true,
            '2026-12-11 19:00:00' => false] as $moment => $open) {
            $this->travelTo($moment);
            $answer = $this->get($sales)->assertOk();
            $open ? $answer->assertSee('I am in') : $answer->assertDontSee('I am in');
            self::assertSame($open, $this->get($this->url(PageRole::Checkout))->assertOk()->getContent() !== $answer->getContent(),
                $moment);
        }
        $this->post($this->url(PageRole::Checkout), ['checkout' => '1', 'email' => 'a@example.com'])->assertStatus(410);
        $this->artisan('lantern:due')->assertSuccessful();
        $this->artisan('lantern:due')->assertSuccessful();
        $funnel = Funnel::query()->findOrFail($this->funnel->id);
        self::assertSame([FunnelState::Closed, '2026-12-11 19:00:00'], [$funnel->state, $funnel->closed_at?->format('Y-m-d H:i:s')]);
    }

    public function test_a_launch_gathers_a_list_tells_it_when_the_doors_open_and_ends_for_everyone_at_once(): void
    {
        $this->travelTo('2027-01-06 12:00:00');
        $this->seller->business->update(['timezone' => 'Europe/Oslo']);
        $this->funnel = app(NewFunnel::class)->fromStarter($this->seller->business->refresh(), Goal::Launch, 'Launch', 'First Season', null,
            Plans::price());
        foreach (DraftPart::there($this->funnel->id, Offer::kind())->get() as $offer) {
            $offer->change(['price' => ['amount' => 29_000] + $offer->definition['price']])->save();
        }
        $this->publish();
        $sales = '/'.$this->funnel->refresh()->address;
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', (string) $this->get($sales)->assertOk()
            ->assertSee('be the first to know')->getContent(), $m);
        $this->travel(20)->seconds();
        $this->post("{$sales}/closed", ['email' => 'wren@example.com'] + array_combine($m[1], $m[2]))->assertStatus(303);
        // Monday at 17:00 the doors open, and close the Monday after at 18:00; an hour is the least that an email may be late.
        self::assertSame(['You are on the list' => '2027-01-06 12:00', 'The doors are open' => '2027-01-25 17:00',
            'The introductory price ends' => '2027-01-27 14:00',
            'Two days left' => '2027-01-30 17:00', 'Three hours left' => '2027-02-01 14:00', 'The doors are closed' => '2027-02-02 08:00'],
            Message::query()->where('kind', 'sequence')->orderBy('due_at')->get()
                ->mapWithKeys(fn (Message $e): array => [$e->name => $e->due_at?->format('Y-m-d H:i')])->all());
        $this->theDoorsCloseADayLater();
        foreach (['2027-01-25 15:59:59' => 'be the first to know', '2027-01-25 16:00:00' => 'Your introductory price holds until',
            '2027-01-27 16:59:59' => 'Your introductory price holds until', '2027-01-27 17:00:00' => 'The doors close on',
            '2027-02-02 16:59:59' => 'The doors close on'] as $moment => $words) {
            $this->travelTo($moment);
            $this->followingRedirects()->get($sales)->assertOk()->assertSee($words);
        }
        $this->travelTo('2027-02-02 17:00:00');
        foreach ([$sales, "{$sales}/order", "{$sales}/sales", "{$sales}/order-introductory"] as $address) {
            $this->get($address)->assertRedirect(url("{$sales}/closed"));
        }
        $this->get("{$sales}/closed")->assertOk()->assertSee('be the first to know');
        $this->travelTo('2027-02-02 17:11:00');
        $this->post("{$sales}/order", ['checkout' => '1', 'email' => 'a@example.com']);
        self::assertSame(0, Order::query()->count());
    }

    public function test_sales_are_told_by_the_hours_that_were_left_to_everyone_and_those_after_the_end(): void
    {
        $this->travelTo('2026-12-04 16:00:00');
        $definition = ['id' => Ids::next(), 'name' => 'Friday', 'latest' => ['moment' => '2026-12-04T18:00', 'zone' => 'UTC'],
            'offers' => [$this->offerId('Regular price')]];
        $deadline = DraftRows::add($this->funnel->refresh(), Deadline::fromShape(Shape::of($definition)));
        $this->publish();
        $sold = fn (string $query = ''): array => (array) $this->actingAs($this->seller)
            ->getJson("/studio/api/funnels/{$this->funnel->id}/sales{$query}")->assertOk()->json('deadlines');
        self::assertSame([], $sold());
        foreach (['16:10' => 'ada', '17:30' => 'bo', '17:40' => 'cy'] as $time => $name) {
            $this->travelTo("2026-12-04 {$time}:00");
            $this->asStranger()->buy(['email' => "{$name}@example.com"])->assertStatus(303);
        }
        $this->travelTo('2026-12-04 18:30:00');
        // The same product, without the deadline: as when another offer of it is open.
        DraftPart::query()->findOrFail($deadline->id)->change(['offers' => []])->save();
        $this->publish();
        $this->asStranger()->buy(['email' => 'dee@example.com'])->assertStatus(303);
        DraftPart::query()->findOrFail($deadline->id)->change(['offers' => [$this->offerId('Regular price')]])->save();
        $this->publish();

        [$found] = $sold();
        self::assertSame(['Friday', 3, 57_000, 1, 19_000], [$found['name'], $found['before'], $found['beforeSum'], $found['after'],
            $found['afterSum']]);
        self::assertSame([[0, 1, 2], [1, 3, 1]], array_map(fn (array $h): array => [$h['from'], $h['to'], $h['sales']],
            array_values(array_filter($found['hours'], fn (array $h): bool => $h['sales'] > 0))));
        $this->travelTo('2026-12-24 10:00:00');
        self::assertSame([], $sold('?days=7'), 'what was sold before the time that is asked for is left out');
        $this->getJson("/studio/api/parts/{$deadline->id}/deadline")->assertOk()->assertJsonPath('sales.before', 3);
    }

    /** A moment for everyone moves for everyone, and with it the emails: the owner is told so before. */
    private function theDoorsCloseADayLater(): void
    {
        $deadline = DraftPart::there($this->funnel->id, Deadline::kind())->where('name', 'The doors close')->firstOrFail();
        $deadline->change(['latest' => ['moment' => '2027-02-02T18:00', 'zone' => 'Europe/Oslo']])->save();
        $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$this->funnel->id}/affected")
            ->assertJsonFragment(['“Two days left” comes at another time for one person.']);
        $this->publish();
        $this->runQueue();
        self::assertSame(['2027-01-26 17:00', '2027-01-27 14:00', '2027-01-31 17:00', '2027-02-02 14:00', '2027-02-03 08:00'],
            Message::query()->where('kind', 'sequence')->where('state', 'waiting')->orderBy('due_at')->get()
                ->map(fn (Message $e): string => (string) $e->due_at?->format('Y-m-d H:i'))->all());
    }

    public function test_the_owner_opens_it_again_by_another_moment(): void
    {
        $this->open(self::TIMES);
        $this->travelTo('2026-12-12 10:00:00');
        $this->artisan('lantern:due');
        $api = "/studio/api/funnels/{$this->funnel->id}";
        $this->actingAs($this->seller)->getJson("{$api}/check")->assertJsonPath('findings.0.code', 'closes-past');
        $this->postJson("{$api}/publish")->assertStatus(422);
        $this->putJson($api, ['times' => ['closes' => ['moment' => '2026-12-20T20:00', 'zone' => 'Europe/Oslo']]])->assertOk();
        $this->postJson("{$api}/publish")->assertOk();
        $this->getJson($api)->assertJsonPath('state', 'live')->assertJsonPath('closedAt', null);
        $this->get($this->url(PageRole::Sales))->assertSee('I am in');
    }

    public function test_what_cannot_be_is_refused_and_nothing_of_it_is_kept(): void
    {
        $api = "/studio/api/funnels/{$this->funnel->id}";
        $this->actingAs($this->seller);
        foreach ([['closes' => ['moment' => 'soon', 'zone' => 'UTC']], ['opens' => ['moment' => '2026-12-04T18:00', 'zone' => 'Mars']],
            ['opens' => ['moment' => '2026-12-04T18:00', 'zone' => 'UTC'], 'closes' => ['moment' => '2026-12-04T18:00', 'zone' => 'UTC']],
            'always', ['opens' => 'now'], ['closes' => ['moment' => ['x'], 'zone' => 7]]] as $times) {
            $this->putJson($api, ['times' => $times])->assertStatus(422);
        }
        $this->getJson($api)->assertJsonPath('times', []);
    }

    public function test_the_closed_page_may_gather_addresses_and_thanks_for_them(): void
    {
        $closed = DraftPart::there($this->funnel->id, PagePlan::kind())->where('definition->role', 'closed')->firstOrFail();
        $form = (string) $this->actingAs($this->seller)->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'form'])
            ->assertCreated()->json('id');
        $document = $closed->definition['document'];
        $document['sections'][0]['blocks'][] = ['id' => 'wait', 'kind' => 'form', 'form' => $form];
        $closed->change(['document' => $document])->save();
        $thanks = (string) $this->postJson("/studio/api/funnels/{$this->funnel->id}/pages", ['role' => 'thank-you'])->assertSuccessful()
            ->json('page.id');
        \App\Drafts\DraftWays::draw($this->funnel->refresh(), Way::toPage($closed->id, \Lantern\Core\Events\Outcome::Joined, $thanks));
        $this->open(self::TIMES);
        $url = '/'.$this->funnel->address.'/'.$closed->definition['address'];
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', (string) $this->get($url)->assertOk()->getContent(), $m);
        $this->travel(20)->seconds();
        $answer = $this->post($url, ['email' => 'wren@example.com'] + array_combine($m[1], $m[2]));
        $answer->assertStatus(303);

        self::assertSame(1, Submission::query()->count());
        $to = (string) parse_url((string) $answer->headers->get('Location'), PHP_URL_PATH);
        $before = $this->get($to)->getContent();
        $this->withCookie('lantern_joined', Submission::query()->valueOrFail('id'));
        self::assertNotSame($before, $this->get($to)->assertOk()->getContent(), 'whoever has just joined is thanked');
        $this->get($this->url(PageRole::Sales))->assertDontSee('I am in');
    }
}
