<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Models\DraftPart;
use App\Models\Message;
use App\Models\Person;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Exceptions;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Webinars\WebinarMode;

/** From the form to the emails afterwards, for those who register for a recording that begins at the next quarter of an hour. */
final class AutomatedWebinarTest extends WebinarTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->hold(WebinarMode::Automated);
    }

    public function test_the_form_offers_the_next_quarters_in_the_visitors_zone_and_takes_the_chosen_one(): void
    {
        $page = $this->withUnencryptedCookie('lantern_zone', 'Asia/Kolkata')->get("/{$this->funnel->address}")->assertOk();
        // A quarter of an hour in UTC is one in Kolkata, too.
        $page->assertSee('Monday 1 March at 15:45, Kolkata time')->assertSee('Monday 1 March at 16:00, Kolkata time')
            ->assertSee('value="n202703011015"', false)->assertDontSee('live');
        $this->register(session: 'n202703011030', zone: 'Asia/Kolkata')->assertRedirect($this->funnel->url('confirmation'));

        $registration = $this->registration();
        self::assertSame(['n202703011030', '2027-03-01 10:30:00', 'registered', 'Asia/Kolkata', 0], [$registration->session_key,
            $registration->starts_at->format('Y-m-d H:i:s'), $registration->state->value, $registration->zone, $registration->number]);
        self::assertSame(['It begins', 'For those who attended', 'For those who left early', 'For those who missed it',
            'Before the replay ends'], array_values(array_diff(array_keys($this->due()), ['Confirmation', 'Ten minutes before'])));
        self::assertArrayHasKey('Ten minutes before', $this->due());
    }

    public function test_somebody_comes_late_sees_the_offer_leaves_and_is_one_who_left_early(): void
    {
        $this->register(session: 'n202703011015');
        $registration = $this->registration();
        $this->travelTo('2027-03-01 10:12:00');
        $this->report($registration, [])->assertOk()->assertJson(['state' => 'opening', 'second' => 0, 'offer' => null]);
        $this->travelTo('2027-03-01 10:15:05');
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->travelTo('2027-03-01 10:16:00');
        $this->report($registration, [])->assertJson(['state' => 'on', 'second' => 60, 'length' => self::LENGTH]);
        $this->watch($registration, 60, 100);
        self::assertSame(['saw-offer'], $this->deeds());
        self::assertSame(40, $registration->refresh()->live_seconds);
        $this->report($registration, [])->assertJson(['second' => 100, 'offer' => ['over' => false], 'here' => 1])
            ->assertJsonPath('offer.until', (int) DB::table('deadline_runs')->where('person_id', $registration->person_id)
                ->get()->map(fn ($r): int => strtotime($r->ends_at.' UTC'))->sole());
        self::assertSame(0, $this->settle(), 'it is not over');
        $this->travelTo('2027-03-01 10:18:10');
        self::assertSame([1, 0], [$this->settle(), $this->settle()]);

        self::assertSame(['saw-offer', 'left-early'], $this->deeds());
        $this->report($registration->refresh(), [[100, 140]])->assertJson(['state' => 'over', 'leads' => ['attended' => false]]);
        self::assertSame(40, $registration->refresh()->live_seconds, 'what became of it is settled');
        $this->travelTo('2027-03-01 12:20:00');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertEqualsCanonicalizing(['Confirmation', 'It begins', 'For those who left early'], Message::query()->where('state', 'sent')
            ->where('to_address', 'robin@example.com')->pluck('name')->all());
    }

    public function test_whoever_comes_to_a_second_session_is_written_to_about_that_one(): void
    {
        // Also in the parts of an email that are for some of its readers.
        $part = fn (string $state): string => '<div data-only="'.htmlspecialchars((string) json_encode(['kind' => 'webinar',
            'webinar' => $this->webinar, 'state' => $state, 'not' => false])).'"><p>You are one who '.$state.'</p></div>';
        DraftPart::there($this->funnel->id, EmailPlan::kind())->where('definition->name', 'For those who missed it')->sole()
            ->change(['body' => '<p>Hello.</p>'.$part('missed').$part('left-early')])->save();
        app(Publishing::class)->publish($this->funnel, null);
        $this->funnel->refresh();
        $this->register(session: 'n202703011015');
        $this->travelTo('2027-03-01 10:16:00');
        $this->watch($this->registration(), 60, 80);
        $this->travelTo('2027-03-01 10:18:10');
        self::assertSame(1, $this->settle());
        $this->register(session: 'n202703011030');
        self::assertSame('n202703011030', $this->registration()->session_key);
        $this->travelTo('2027-03-01 10:34:00');
        self::assertSame(1, $this->settle());
        self::assertSame(['left-early', 'missed'], $this->deeds());
        $this->travelTo('2027-03-01 12:35:00');
        $this->artisan('lantern:due');
        $this->runQueue();

        $sent = Message::query()->where('state', 'sent')->pluck('name')->all();
        self::assertContains('For those who missed it', $sent);
        self::assertNotContains('For those who left early', $sent);
        $missed = (string) Message::query()->where('name', 'For those who missed it')->where('state', 'sent')->sole()->text;
        self::assertStringContainsString('You are one who missed', $missed);
        self::assertStringNotContainsString('You are one who left-early', $missed);
    }

    public function test_one_that_cannot_be_settled_keeps_nobody_waiting_and_is_tried_again(): void
    {
        $this->register('robin@example.com', 'n202703011015');
        $this->register('wren@example.com', 'n202703011015');
        $webinar = $this->registration()->webinar_id;
        DB::table('registrations')->where('id', $this->registration()->id)->update(['webinar_id' => 'gone']);
        Exceptions::fake();
        $this->travelTo('2027-03-01 10:19:00');

        self::assertSame([1, 0], [$this->settle(), $this->settle()]);
        Exceptions::assertReportedCount(1);
        self::assertSame(['missed'], $this->deeds('wren@example.com'));
        DB::table('registrations')->where('id', $this->registration()->id)->update(['webinar_id' => $webinar]);
        $this->travelTo('2027-03-01 11:20:00');
        self::assertSame(1, $this->settle());
        self::assertSame(['missed'], $this->deeds());
    }

    public function test_the_page_says_for_how_long_its_first_session_can_be_had(): void
    {
        $this->get("/{$this->funnel->address}")->assertSee('data-fresh="600"', false);
        $this->travelTo('2027-03-01 10:14:59');
        $this->get("/{$this->funnel->address}")->assertSee('data-fresh="1"', false);
        $this->travelTo('2027-03-01 10:15:00');
        $this->get("/{$this->funnel->address}")->assertSee('data-fresh="900"', false);
        $this->change(['schedule' => ['kind' => 'on-demand', 'zone' => 'Europe/Berlin', 'minutes' => 3]]);
        $this->get("/{$this->funnel->address}")->assertSee('As soon as you like')->assertDontSee('data-fresh', false);
    }

    public function test_whoever_comes_after_the_offer_appeared_sees_it_with_its_deadline(): void
    {
        $this->register(session: 'n202703011015');
        $registration = $this->registration();
        $this->travelTo('2027-03-01 10:17:05');
        $this->report($registration, [])->assertJson(['second' => 125])->assertJsonPath('offer.until', null);
        self::assertSame([], $this->deeds(), 'the card was there, and nobody');
        $this->travel(7)->seconds();
        $this->report($registration, [[125, 132]])->assertJsonPath('offer.until',
            (int) strtotime(DB::table('deadline_runs')->where('person_id', $registration->person_id)->sole()->ends_at.' UTC'));
        self::assertSame(['saw-offer'], $this->deeds());
    }

    public function test_whoever_stays_has_attended_and_whoever_never_comes_has_missed_it_and_finds_the_replay(): void
    {
        $this->register('robin@example.com', 'n202703011015');
        $this->register('wren@example.com', 'n202703011015');
        $this->travelTo('2027-03-01 10:15:00');
        $this->watch($this->registration(), 0, 150);
        $this->travelTo('2027-03-01 10:19:00');
        self::assertSame(2, $this->settle());

        self::assertSame(['saw-offer', 'attended'], $this->deeds());
        self::assertSame(['missed'], $this->deeds('wren@example.com'));
        $wren = $this->registration('wren@example.com');
        $way = $this->get("/r/{$wren->id}/".explode('/', \App\Records\RegistrationLinks::path($wren))[3])
            ->assertRedirect($this->funnel->url('replay'));
        $seat = $way->getCookie('lantern_seat', false);
        $this->withUnencryptedCookie('lantern_seat', (string) $seat?->getValue())->get("/{$this->funnel->address}/replay")
            ->assertSee('The replay opens Monday 1 March at 13:15, Oslo time');
        $this->travelTo('2027-03-01 13:00:00');
        $this->get("/{$this->funnel->address}/replay")->assertSee('data-room', false)->assertSee('Open until Thursday 4 March at 23:00');
        $this->report($wren, [], kind: 'replay')->assertJson(['state' => 'on', 'second' => 0]);
        for ($i = 0; $i < 10; $i++) {
            $this->travel(10)->seconds();
            $this->report($wren, [[$i * 10, $i * 10 + 10]], kind: 'replay');
        }
        self::assertSame(['missed', 'watched-replay', 'saw-offer'], $this->deeds('wren@example.com'));
        self::assertSame([100, 0], [$wren->refresh()->replay_seconds, $wren->live_seconds]);
        $this->travelTo('2027-03-04 22:00:00');
        $this->get("/{$this->funnel->address}/replay")->assertSee('The replay is over');
    }

    public function test_emails_say_when_it_is_and_lead_into_the_room(): void
    {
        $this->register(session: 'n202703011030', zone: 'America/St_Johns');
        $this->runQueue();
        $sent = Message::query()->where('name', 'Confirmation')->sole();
        self::assertStringContainsString('Monday 1 March at 07:00, St John’s time', (string) $sent->text);
        $person = Person::query()->sole();
        preg_match_all("~http[^\s<\"]+/l/[^\s<\"]+~", (string) $sent->html, $links);
        $led = array_map(fn (string $l): string => (string) $this->get((string) parse_url($l, PHP_URL_PATH))->headers->get('Location'),
            array_unique($links[0]));
        $room = \App\Records\RegistrationLinks::path($this->registration());
        self::assertContains(url($room), $led);
        self::assertContains(url("{$room}/session.ics"), $led);
        self::assertSame('America/St_Johns', $person->timezone);
    }
}
