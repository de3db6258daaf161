<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Models\Order;
use App\Models\Person;
use App\Payments\Practice\Behaviour;
use App\People\Privacy\Erase;
use App\People\Privacy\Merge;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\DataProvider;

final class PersonalDeadlineTest extends DeadlineTestCase
{
    public function test_it_starts_with_the_click_and_ends_at_eight_in_the_evening_of_the_third_day_where_they_are(): void
    {
        $robin = $this->reader();
        self::assertNull($this->end($robin));
        $this->click($robin)->assertRedirect();

        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
        $this->get($this->url(PageRole::Sales))->assertOk()->assertHeader('Cache-Control', 'no-store, private');
        $this->travelTo('2026-11-30 18:59:59');
        $this->get($this->url(PageRole::Sales))->assertOk();
        $this->travelTo('2026-11-30 19:00:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales).'?utm_source=old'));
    }

    public function test_before_it_starts_another_page_stands_there_and_nothing_is_sold(): void
    {
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Checkout)));
    }

    public function test_it_is_the_same_on_every_device_and_cannot_be_started_again(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-11-28 09:00:00');
        $this->anotherBrowser()->click($robin);
        $this->get($this->url(PageRole::Sales))->assertOk();
        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
        // Long after its end: by the old email, by a bookmark, with cookies cleared, forged or carried over.
        $this->travelTo('2026-12-20 09:00:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->anotherBrowser()->click($robin);
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->anotherBrowser();
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->withUnencryptedCookie('lantern_visitor', str_repeat('a', 32));
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->withUnencryptedCookie('lantern_reader', $robin->id);
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
        self::assertSame(1, DB::table('deadline_facts')->count());
    }

    public function test_a_server_clock_that_is_set_back_does_not_open_what_is_over(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-11-30 19:20:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->travelTo('2026-11-30 18:20:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
    }

    public function test_nor_does_it_for_those_who_did_not_come_at_the_end(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $closed = fn (): mixed => DB::table('deadline_runs')->value('closed_at');
        $this->travelTo('2026-11-30 19:09:00');
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertNull($closed(), 'in its grace it is not over for those who are paying');
        $this->travelTo('2026-11-30 19:10:00');
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertNotNull($closed());
        $this->travelTo('2026-11-30 18:20:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
    }

    /** @return iterable<string, array{array<string, string>, bool}> headers, and is it a person? */
    public static function readers(): iterable
    {
        yield 'a browser' => [self::BROWSER, true];
        yield 'a program that says so' => [['User-Agent' => 'Mail-Scanner/2.1'] + self::BROWSER, false];
        yield 'one that says nothing' => [['User-Agent' => ''] + self::BROWSER, false];
        yield 'one that passes for a browser and speaks no language' => [['Accept-Language' => ''] + self::BROWSER, false];
        yield 'one that fetches' => [['Sec-Fetch-Mode' => 'cors', 'Sec-Fetch-Dest' => 'empty'] + self::BROWSER, false];
        yield 'a browser that loads ahead' => [['Sec-Purpose' => 'prefetch;prerender'] + self::BROWSER, false];
        yield 'an old browser' => [array_slice(self::BROWSER, 0, 2), false];
    }

    /** @param  array<string, string>  $headers */
    #[DataProvider('readers')]
    public function test_only_a_person_starts_it_and_whoever_is_not_sure_to_be_one_is_asked(array $headers, bool $person): void
    {
        $robin = $this->reader();
        $this->click($robin, $headers);

        self::assertSame($person, $this->end($robin) !== null);
    }

    public function test_a_click_tells_the_zone_of_somebody_whose_zone_is_not_known_and_changes_none_that_is(): void
    {
        [$robin, $wren] = [$this->reader(), $this->reader('wren@example.com')];
        $wren->forceFill(['timezone' => null])->save();
        $this->withUnencryptedCookie('lantern_zone', 'America/Chicago');
        $this->click($robin);
        $this->click($wren);

        self::assertSame(['Europe/Oslo', 'America/Chicago'], [$robin->refresh()->timezone, $wren->refresh()->timezone]);
    }

    public function test_whoever_is_asked_starts_it_by_a_button_and_comes_to_where_the_link_led(): void
    {
        $robin = $this->reader();
        $this->click($robin, array_slice(self::BROWSER, 0, 2))->assertOk()->assertSee('Go on, and start my time');
        self::assertSame(0, DB::table('events')->where('type', 'clicked')->count());
        $answer = $this->post($this->link($robin))->assertStatus(303);

        self::assertSame($this->url(PageRole::Sales), parse_url((string) $answer->headers->get('Location'), PHP_URL_PATH));
        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
        self::assertSame(1, DB::table('events')->where('type', 'clicked')->count());
        $this->post($this->link($robin).'x')->assertNotFound();
    }

    public function test_a_mail_server_that_follows_every_link_at_once_starts_nothing(): void
    {
        $robin = $this->reader();
        $this->offered($robin)->forceFill(['sent_at' => now()->subSeconds(2)])->save();
        $this->click($robin)->assertOk()->assertSee('start my time');
        self::assertNull($this->end($robin));
        $this->travel(10)->seconds();
        $this->click($robin)->assertRedirect();
        self::assertNotNull($this->end($robin));
    }

    public function test_within_it_the_offer_is_sold_and_after_it_by_no_way(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->buy(['email' => 'robin@example.com'])->assertRedirect();
        self::assertTrue($this->lastOrder()->state->isBought());
        self::assertSame([$this->deadline, 3 * 86_400 + 9 * 3600],
            [$this->lastOrder()->lines[0]->deadline_id, $this->lastOrder()->lines[0]->deadline_left]);

        // Somebody else, who kept the address of the checkout, and the checkout itself.
        $wren = $this->reader('wren@example.com');
        $this->anotherBrowser()->click($wren);
        $kept = $this->checkout(['email' => 'wren@example.com']);
        $this->travelTo('2026-12-02 10:00:00');
        foreach (['wren@example.com', 'another@example.com'] as $email) {
            $this->post($this->url(PageRole::Checkout), ['email' => $email, 'method' => self::card()] + $kept)->assertStatus(409)
                ->assertSee('The time for this offer has run out')->assertSee('See what there is now');
        }
        $this->anotherBrowser()->post($this->url(PageRole::Checkout), ['method' => self::card()] + $kept)->assertStatus(409)
            ->assertSee('The time for this offer has run out', 'by their address alone');
        $this->post($this->url(PageRole::Checkout), ['email' => 'nobody@example.com', 'method' => self::card()] + $kept)->assertStatus(409)
            ->assertSee('not open to you yet');
        self::assertSame(1, Order::query()->count());
        self::assertSame(19_000, self::ledger());
    }

    public function test_grace_is_for_a_checkout_that_was_open_and_for_none_else(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-11-30 18:58:00');
        $open = $this->checkout(['email' => 'robin@example.com']);
        $this->travelTo('2026-11-30 19:05:00');
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Checkout)));
        // A typing mistake within grace: the same checkout again, and it is still theirs.
        $again = $this->post($this->url(PageRole::Checkout), ['email' => 'robin@', 'method' => self::card()] + $open)->assertStatus(422);
        preg_match('/name="shown" value="([^"]*)"/', (string) $again->getContent(), $m);
        $this->post($this->url(PageRole::Checkout), ['shown' => html_entity_decode($m[1]), 'method' => self::card()] + $open)
            ->assertRedirect();

        self::assertTrue($this->lastOrder()->state->isBought());
        self::assertSame(-300, $this->lastOrder()->lines[0]->deadline_left);
    }

    public function test_grace_ends_and_is_nothing_that_can_be_asked_for_after_the_end(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $open = $this->checkout(['email' => 'robin@example.com']);
        $this->travelTo('2026-11-30 19:05:00');
        $forged = ['shown' => base64_encode((string) json_encode(['at' => 1, 'since' => 1, 'prices' => []])).'.x'] + $open;
        $this->post($this->url(PageRole::Checkout), ['method' => self::card()] + $forged)->assertStatus(409);
        $this->travelTo('2026-11-30 19:10:00');
        $this->post($this->url(PageRole::Checkout), ['method' => self::card()] + $open)->assertStatus(409);
        self::assertSame(0, self::ledger());
    }

    public function test_the_end_during_the_banks_question_takes_nothing_away(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-11-30 18:59:00');
        $bank = $this->buy(['email' => 'robin@example.com', 'method' => self::card(Behaviour::AsksBank)])->assertRedirect();
        $this->travelTo('2026-11-30 19:20:00');
        $back = $this->post((string) parse_url((string) $bank->headers->get('Location'), PHP_URL_PATH), ['decision' => 'approve']);
        $this->get((string) parse_url((string) $back->headers->get('Location'), PHP_URL_PATH))->assertRedirect();

        self::assertTrue($this->lastOrder()->refresh()->state->isBought());
    }

    public function test_two_browsers_joined_late_have_the_earlier_of_their_starts(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]],
            'pages' => [['page' => $this->page(PageRole::Sales)]]]);
        $visitor = fn (string $digit): string => str_repeat($digit, 32);
        $this->withUnencryptedCookie('lantern_visitor', $visitor('1'))->get($this->url(PageRole::Sales))->assertOk();
        $this->travelTo('2026-11-28 10:00:00');
        $this->anotherBrowser()->withUnencryptedCookie('lantern_visitor', $visitor('2'))->get($this->url(PageRole::Sales))->assertOk();
        $robin = $this->reader();
        $this->click($robin);
        self::assertSame('2026-12-01 19:00:00', $this->end($robin), 'the second browser alone');
        $this->anotherBrowser()->withUnencryptedCookie('lantern_visitor', $visitor('1'));
        $this->click($robin);

        self::assertSame('2026-11-30 19:00:00', $this->end($robin), 'and now the first');
        self::assertSame([1, 0], [DB::table('deadline_runs')->count(), DB::table('deadline_runs')->whereNull('person_id')->count()]);
    }

    public function test_a_stranger_starts_it_by_seeing_the_page_once(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]], 'duration' => ['minutes' => 15],
            'pages' => [['page' => $this->page(PageRole::Sales)]]]);
        $visitor = $this->get($this->url(PageRole::Sales))->assertOk()->getCookie('lantern_visitor', false)?->getValue();
        $this->withUnencryptedCookie('lantern_visitor', (string) $visitor)->get($this->url(PageRole::Sales))->assertOk();
        self::assertSame(1, DB::table('deadline_facts')->count());
        foreach ([['User-Agent' => 'a spider'], ['Sec-Purpose' => 'prefetch']] as $headers) {
            $this->anotherBrowser()->flushHeaders()->withHeaders($headers + self::BROWSER)->get($this->url(PageRole::Sales))->assertOk();
        }
        self::assertSame(1, DB::table('deadline_facts')->count(), 'programs see it, and start nothing');
        $this->flushHeaders()->withHeaders(self::BROWSER)->withUnencryptedCookie('lantern_visitor', (string) $visitor);
        $this->travel(15)->minutes();
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $this->anotherBrowser()->get($this->url(PageRole::Sales))->assertOk();
        self::assertSame(2, DB::table('deadline_facts')->count(), 'without cookies a stranger is a new one, unless the owner wants more');
    }

    public function test_where_the_owner_wants_it_strangers_are_known_by_where_they_come_from(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]], 'duration' => ['minutes' => 15],
            'pages' => [['page' => $this->page(PageRole::Sales)]], 'byAddress' => true]);
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.7'])->get($this->url(PageRole::Sales))->assertOk();
        $this->travel(20)->minutes();
        $this->assertLedTo(PageRole::Closed, $this->anotherBrowser()->get($this->url(PageRole::Sales)));
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.8'])->get($this->url(PageRole::Sales))->assertOk();
        self::assertStringNotContainsString('203.0.113', (string) json_encode(DB::table('deadline_facts')->get()));
    }

    public function test_owners_at_work_start_nothing_and_are_led_nowhere(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)],
            ['kind' => 'click', 'email' => $this->email]]]);
        $this->withCookie('lantern_owner', '1');
        $this->get($this->url(PageRole::Sales))->assertOk();
        $this->get($this->url(PageRole::Checkout))->assertOk();
        $this->get($this->link($this->reader()))->assertRedirect();
        self::assertSame(0, DB::table('deadline_facts')->count());
        foreach (['not-started' => false, 'two-days' => true, 'ninety-seconds' => true, 'over' => false,
            'nonsense' => true] as $state => $shown) {
            $answer = $this->get($this->url(PageRole::Sales)."?deadline={$state}");
            $shown ? $answer->assertOk() : $this->assertLedTo(PageRole::Closed, $answer);
        }
        $this->post($this->url(PageRole::Checkout), $this->checkout())->assertRedirect();
        self::assertTrue($this->lastOrder()->owner);
    }

    public function test_what_was_promised_holds_when_the_definition_changes_or_goes(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->changeDeadline(['duration' => ['minutes' => 5]]);
        $this->travelTo('2026-11-30 18:59:00');
        $this->get($this->url(PageRole::Sales))->assertOk();
        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
        $this->actingAs($this->seller)->deleteJson("/studio/api/parts/{$this->deadline}")->assertOk();
        $this->publish();
        $this->travelTo('2026-12-24 10:00:00');
        $this->get($this->url(PageRole::Sales))->assertOk();
        self::assertSame('2026-11-30 19:00:00', $this->end($robin), 'what happened stays written down');
    }

    public function test_a_rollback_to_a_version_without_it_guards_nothing(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-12-24 10:00:00');
        $first = DB::table('versions')->where('funnel_id', $this->funnel->id)->orderBy('number')->value('id');
        $this->actingAs($this->seller)->postJson("/studio/api/funnels/{$this->funnel->id}/versions/{$first}/live")->assertOk();
        $this->get($this->url(PageRole::Sales))->assertOk();
    }

    public function test_people_who_are_merged_have_the_earlier_of_their_starts(): void
    {
        [$robin, $ada] = [$this->reader(), $this->reader('ada@example.com')];
        $this->click($ada);
        $this->travelTo('2026-11-29 10:00:00');
        $this->anotherBrowser()->click($robin);
        self::assertSame('2026-12-02 19:00:00', $this->end($robin));
        app(Merge::class)->merge($robin, $ada);

        self::assertSame('2026-11-30 19:00:00', $this->end($robin->refresh()));
        self::assertSame(1, DB::table('deadline_runs')->count());
    }

    public function test_whoever_is_erased_leaves_no_deadline_behind(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        app(Erase::class)->person($robin);

        self::assertSame([0, 0], [DB::table('deadline_facts')->count(), DB::table('deadline_runs')->count()]);
    }

    public function test_joining_by_a_form_again_elsewhere_restarts_nothing(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-12-20 10:00:00');
        $submission = DB::table('submissions')->insertGetId(['id' => $id = \App\Support\Ids::next(), 'token' => bin2hex(random_bytes(16)),
            'funnel_id' => $this->funnel->id, 'version_id' => $this->funnel->live_version_id, 'page_id' => $this->page(PageRole::Sales),
            'form_id' => \App\Support\Ids::next(), 'person_id' => $robin->id, 'answers' => '{}', 'consent_words' => '',
            'consented' => false,
            'submitted_at' => now(), 'state' => 'taken']);
        $this->anotherBrowser()->withUnencryptedCookie('lantern_joined', $id);

        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        self::assertSame(1, DB::table('deadline_facts')->count());
    }

    public function test_a_page_that_no_deadline_guards_is_served_as_before(): void
    {
        $queries = 0;
        DB::listen(function (QueryExecuted $query) use (&$queries): void {
            // When the answer is out, it is looked whether the next visit needs the framework at all.
            $queries += str_contains($query->sql, 'page_fronts') ? 0 : 1;
        });
        $this->get($this->url(PageRole::Closed))->assertOk();

        self::assertSame(2, $queries);
        self::assertNull(DB::table('published_pages')->where('version_id', $this->funnel->live_version_id)
            ->where('page_id', $this->page(PageRole::Closed))->value('deadlines'));
    }
}
