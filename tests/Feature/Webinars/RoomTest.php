<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Models\DraftPart;
use App\Models\Message;
use App\Models\Registration;
use App\Records\RegistrationLinks;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;

/** The room of a live session: what devices report and what is believed, the control room, and what strangers and the hostile try. */
final class RoomTest extends WebinarTestCase
{
    private const KEY = 's202703011700';

    private Registration $robin;

    protected function setUp(): void
    {
        parent::setUp();
        $this->hold(WebinarMode::Live, ['schedule' => ['kind' => 'dates', 'zone' => 'Europe/Berlin', 'dates' => ['2027-03-01T18:00',
            '2027-03-02T18:00'], 'minutes' => 60, 'offered' => 3, 'ahead' => 60]]);
        $offer = DraftPart::there($this->funnel->id, 'offer')->where('name', 'Introductory price')->value('id');
        $this->change(['offer' => ['offer' => $offer]]);
        $this->register(session: self::KEY);
        $this->robin = $this->registration();
        $this->actingAs($this->host);
    }

    /** @param  array<string, mixed>  $body */
    private function host(string $path, array $body = [], string $method = 'POST'): TestResponse
    {
        return $this->json($method, "/studio/api/parts/{$this->webinar}/webinar/sessions/".self::KEY."/{$path}", $body);
    }

    private function act(string $act): TestResponse
    {
        return $this->host('act', ['act' => $act]);
    }

    private function begin(): void
    {
        $this->travelTo('2027-03-01 17:02:00');
        $this->act('begin')->assertOk()->assertJsonPath('room.state', 'on');
    }

    /** @param  list<array{mixed, mixed}>  $played */
    private function seen(array $played, string $device = self::DEVICE): int
    {
        $this->report($this->robin->refresh(), $played, $device)->assertOk();

        return $this->robin->refresh()->live_seconds;
    }

    /** @return iterable<string, array{string, list<string>, array{string, string, bool}}> address, hosts that may be shown, what is shown */
    public static function streams(): iterable
    {
        $stream = 'https://films.example/embed/7';
        yield 'one that may be shown' => [$stream, ['films.example'], [$stream, '', false]];
        yield 'one that may not: a link to it, and never the recording of another time' => [$stream, [], ['', $stream, false]];
        yield 'none: the recording, by the clock' => ['', ['films.example'], ['', '', true]];
    }

    /**
     * @param  list<string>  $hosts
     * @param  array{string, string, bool}  $shown
     */
    #[DataProvider('streams')]
    public function test_what_is_seen_in_the_room_of_a_live_session(string $stream, array $hosts, array $shown): void
    {
        $this->host->business->forceFill(['embed_hosts' => $hosts])->save();
        $this->change(['stream' => $stream]);
        $seat = $this->get(RegistrationLinks::path($this->robin->refresh()))->getCookie('lantern_seat', false);
        $page = $this->withUnencryptedCookie('lantern_seat', (string) $seat?->getValue())->get("/{$this->funnel->address}/room")
            ->assertOk();

        self::assertSame(1, preg_match('/data-room="([^"]*)"/', (string) $page->getContent(), $m));
        $data = json_decode(html_entity_decode($m[1]), true);
        self::assertSame([...$shown, true], [$data['embed'], $data['stream'], $data['video'] !== '', $data['live']]);
    }

    public function test_the_live_hour_with_a_question_a_poll_the_offer_and_its_end(): void
    {
        $this->travelTo('2027-03-01 16:50:00');
        $this->report($this->robin, [])->assertJson(['state' => 'opening', 'beginsIn' => 600]);
        $this->begin();
        $this->report($this->robin, [])->assertJson(['state' => 'on', 'second' => 0, 'offer' => null]);
        $this->watch($this->robin, 0, 60);
        $this->postJson(RegistrationLinks::path($this->robin).'/ask', ['device' => self::DEVICE, 'question' => 'Which string first?',
            'second' => 55])
            ->assertCreated()->assertJsonPath('questions.0.state', 'open');
        $question = $this->host('', [], 'GET')->assertJsonPath('room.here', 1)->json('room.questions.0');
        $this->host("questions/{$question['id']}", ['state' => 'answered', 'answer' => 'The D string.'], 'PUT')->assertOk();
        $this->report($this->robin, [])->assertJsonPath('questions.0.answer', 'The D string.');
        $this->report($this->robin, [], 'ffffffffffffffff')->assertJsonPath('questions', []);

        $this->host('poll', ['act' => 'open', 'question' => 'How long have you played?', 'options' => ['Not yet', 'A year']])->assertOk();
        $poll = $this->report($this->robin, [])->assertJsonPath('poll.counts', null)->json('poll.id');
        $vote = fn (int $choice): TestResponse => $this->postJson(RegistrationLinks::path($this->robin).'/vote', ['poll' => $poll,
            'choice' => $choice]);
        $vote(1)->assertCreated()->assertJsonPath('poll.counts', [0, 1]);
        $vote(0)->assertStatus(409)->assertJsonPath('poll.counts', [0, 1]);
        $this->host('poll', ['act' => 'close'])->assertJsonPath('room.polls.0.open', false);
        $this->host('poll', ['act' => 'reopen'])->assertJsonPath('room.polls.0.open', true);

        $this->act('offer')->assertJsonPath('room.offerShown', true);
        $this->report($this->robin, [])->assertJsonPath('offer.name', 'First Melody');
        $this->act('hide-offer')->assertJsonPath('room.offerShown', false);
        $this->report($this->robin, [])->assertJsonPath('offer', null);
        $this->act('offer');
        $this->travel(10)->seconds();
        $this->report($this->robin, [[60, 80]]);
        self::assertContains('saw-offer', $this->deeds());

        $this->act('end')->assertJsonPath('room.state', 'over');
        $this->act('reopen')->assertJsonPath('room.state', 'on');
        $this->act('end');
        $this->travel(31)->seconds();
        self::assertSame(1, $this->settle());
        $this->act('reopen')->assertStatus(422);
        self::assertSame(['saw-offer', 'attended'], $this->deeds());
        $this->report($this->robin->refresh(), [])->assertJson(['state' => 'over', 'leads' => ['attended' => true,
            'url' => $this->funnel->url('introductory')]]);
        $this->host('', [], 'GET')->assertJsonPath('numbers.stayed', 1)->assertJsonPath('numbers.saw_offer', 1);
    }

    public function test_the_home_list_speaks_of_registrations_and_of_who_came(): void
    {
        $success = fn (): array => $this->actingAs($this->host)->getJson('/studio/api/funnels')->assertOk()->json('funnels.0.success');
        foreach (['robin@example.com', 'wren@example.com'] as $email) {
            $this->register($email);
        }
        self::assertSame(['registrations', 2, 2, null], [$success()['kind'], $success()['count'], array_sum($success()['trend']),
            $success()['rate']['rate']], 'nobody could come yet');
        DB::table('registrations')->where('id', $this->registration()->id)->update(['came_at' => now(), 'settled_at' => now()]);
        DB::table('registrations')->where('id', $this->registration('wren@example.com')->id)->update(['settled_at' => now()]);
        self::assertEquals(0.5, $success()['rate']['rate']);
        DB::table('registrations')->update(['owner' => true]);
        self::assertSame([0, null], [$success()['count'], $success()['rate']['rate']]);
    }

    public function test_whoever_was_there_counts_once_however_their_devices_report_it(): void
    {
        $this->begin();
        self::assertSame(0, $this->seen([]));
        $this->travel(60)->seconds();
        self::assertSame(30, $this->seen([[0, 30]]));
        self::assertSame(30, $this->seen([[0, 30]]), 'twice');
        self::assertSame(60, $this->seen([[40, 60], [30, 45]]), 'out of order');
        self::assertSame(60, $this->seen([[0, 60]], 'bbbbbbbbbbbbbbbb'), 'on another device');
        $this->travel(300)->seconds();
        self::assertSame(90, $this->seen([[330, 360]]), 'a device that slept');
        self::assertSame(90, $this->seen([[360, 360], [400, 100]]), 'nothing, and backwards');
    }

    /**
     * @return iterable<string, array{mixed, int}> what a device claims two minutes into the session, ten seconds after it came, and the
     *     most of it
     */
    public static function forged(): iterable
    {
        yield 'a year' => [[[0, 31_536_000]], 30];
        yield 'from before the beginning' => [[[-999_999, 999_999]], 30];
        yield 'the future' => [[[600, 1200]], 0];
        yield 'a number too large for anything' => [[[0, PHP_INT_MAX]], 0];
        yield 'texts' => [[['0', '60']], 0];
        yield 'a list that is none' => ['all of it', 0];
        yield 'lists in lists' => [[[[0], [60]]], 0];
        yield 'fractions' => [[[0.5, 60.5]], 0];
        yield 'thousands of them' => [array_map(fn (int $i): array => [$i, $i + 1], range(0, 3000)), 31];
    }

    #[DataProvider('forged')]
    public function test_nobody_is_believed_to_have_seen_more_than_they_can_have(mixed $claim, int $most): void
    {
        $this->begin();
        $this->travel(110)->seconds();
        $this->report($this->robin, []);
        $this->travel(10)->seconds();
        $this->postJson(RegistrationLinks::path($this->robin).'/report', ['device' => self::DEVICE, 'played' => $claim])->assertOk();
        self::assertLessThanOrEqual($most, $this->robin->refresh()->live_seconds);
        // Again and again does not help.
        foreach (range(1, 5) as $again) {
            $this->postJson(RegistrationLinks::path($this->robin).'/report', ['device' => self::DEVICE, 'played' => $claim]);
        }
        self::assertLessThanOrEqual($most + 1, $this->robin->refresh()->live_seconds);
    }

    public function test_a_report_without_a_device_for_another_or_far_too_often_is_refused(): void
    {
        $this->begin();
        foreach (['', 'short', str_repeat('g', 16), ['x']] as $device) {
            $this->postJson(RegistrationLinks::path($this->robin).'/report', ['device' => $device, 'played' => []])->assertNotFound();
        }
        $this->register('wren@example.com', self::KEY === '' ? '' : 's202703021700');
        $wren = $this->registration('wren@example.com');
        $seal = explode('/', RegistrationLinks::path($this->robin))[3];
        $this->postJson("/r/{$wren->id}/{$seal}/report", ['device' => self::DEVICE, 'played' => [[0, 60]]])->assertNotFound();
        $last = 200;
        for ($i = 0; $i < 70; $i++) {
            $last = $this->report($this->robin, [])->getStatusCode();
        }
        self::assertSame(429, $last, 'ten a second');
        self::assertSame(1, DB::table('room_devices')->count());
    }

    public function test_a_link_that_was_given_to_strangers_is_open_on_three_devices_and_no_more(): void
    {
        $this->begin();
        foreach (['a', 'b', 'c'] as $device) {
            $this->report($this->robin, [], str_repeat($device, 16))->assertJson(['state' => 'on', 'here' => 1]);
        }
        $this->report($this->robin, [[0, 10]], str_repeat('d',
            16))->assertOk()->assertJson(['state' => 'crowded'])->assertJsonMissingPath('offer');
        $this->report($this->robin, [], str_repeat('a', 16))->assertJson(['state' => 'on']);
        $this->travel(60)->seconds();
        $this->report($this->robin, [], str_repeat('d', 16))->assertJson(['state' => 'on']);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function badQuestions(): iterable
    {
        yield 'nothing' => ['  ', 'write your question'];
        yield 'a list' => [['x'], 'write your question'];
        yield 'broken text' => ["\xff\xfe", 'write your question'];
        yield 'ten thousand characters' => [str_repeat('ä', 10_000), '1,000 characters at most'];
    }

    #[DataProvider('badQuestions')]
    public function test_a_question_that_cannot_be_taken_says_why(mixed $question, string $why): void
    {
        $this->begin();
        // What is no text cannot be written as JSON.
        $answer = $question === "\xff\xfe"
            ? $this->post(RegistrationLinks::path($this->robin).'/ask', ['device' => self::DEVICE, 'question' => $question])
            : $this->postJson(RegistrationLinks::path($this->robin).'/ask', ['device' => self::DEVICE, 'question' => $question]);
        self::assertStringContainsString($why, (string) $answer->assertStatus(422)->json('message'));
        self::assertSame(0, DB::table('room_questions')->count());
    }

    public function test_questions_are_text_not_too_many_and_each_once(): void
    {
        $this->begin();
        $ask = fn (string $words): TestResponse => $this->postJson(RegistrationLinks::path($this->robin).'/ask', ['device' => self::DEVICE,
            'question' => $words]);
        $ask("<script>alert(1)</script>\u{0007}")->assertCreated();
        $ask("<script>alert(1)</script>\u{0007}")->assertCreated();
        self::assertSame(['<script>alert(1)</script>'], DB::table('room_questions')->pluck('words')->all());
        foreach (range(1, 4) as $n) {
            $ask("Question {$n}")->assertCreated();
        }
        $ask('One more')->assertStatus(422);
        $this->travel(61)->seconds();
        $ask('One more')->assertCreated();
        $question = (string) DB::table('room_questions')->value('id');
        foreach ([['state' => 'shouted'], ['state' => 'answered', 'answer' => ' '], []] as $body) {
            $this->host("questions/{$question}", $body, 'PUT')->assertStatus(422);
        }
        $this->host('questions/01h00000000000000000000000', ['state' => 'hidden'], 'PUT')->assertNotFound();
    }

    public function test_what_makes_no_sense_in_the_control_room_is_refused_in_words(): void
    {
        foreach (['end', 'offer', 'reopen', 'dance', ''] as $act) {
            self::assertNotSame('', $this->act($act)->assertStatus(422)->json('message'), $act);
        }
        $this->act('begin')->assertStatus(422);
        $this->begin();
        $this->act('begin')->assertStatus(422);
        $this->act('unbegin')->assertOk()->assertJsonPath('room.begun', false);
        $this->host('poll', ['act' => 'open', 'question' => 'One?', 'options' => ['only one']])->assertStatus(422);
        $this->host('poll', ['act' => 'open', 'question' => ['x'], 'options' => 'y'])->assertStatus(422);
    }

    public function test_a_session_cancelled_with_the_room_open_closes_it_and_everybody_hears_of_it_once(): void
    {
        $this->begin();
        $this->watch($this->robin, 0, 20);
        $this->act('cancel')->assertOk()->assertJsonPath('people', 1)->assertJsonPath('room.state', 'cancelled');
        $this->act('cancel')->assertStatus(422);
        $this->report($this->robin->refresh(), [[20, 40]])->assertJson(['state' => 'cancelled', 'offer' => null]);
        self::assertSame(20, $this->robin->refresh()->live_seconds);
        $this->travelTo('2027-03-01 22:00:00');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame(['Cancelled: First Melody'], Message::query()->where('name', 'About their session')->where('state', 'sent')
            ->pluck('subject')->all());
        self::assertSame([], array_diff_key($this->due(), ['Confirmation' => 0]));
        self::assertSame(['session-cancelled'], $this->deeds(), 'nobody missed it');
        $this->get("/{$this->funnel->address}")->assertDontSee(self::KEY);
        $this->travelTo('2027-03-01 23:00:00');
        $this->post(RegistrationLinks::path($this->robin).'/session', ['webinar_session' => 's202703021700'])->assertRedirect();
        self::assertSame('s202703021700', $this->registration()->session_key);
    }

    public function test_the_offer_waits_for_its_minute_and_the_owners_own_try_counts_nowhere(): void
    {
        $offer = DraftPart::query()->findOrFail($this->webinar)->definition['offer']['offer'];
        $this->change(['offer' => ['offer' => $offer, 'second' => 120]]);
        $this->begin();
        $this->report($this->robin, [])->assertJson(['offer' => null, 'offerAt' => 120]);
        $this->travel(125)->seconds();
        $this->report($this->robin, [])->assertJsonPath('offer.name', 'First Melody');
        Registration::query()->whereKey($this->robin->id)->update(['owner' => true]);
        $this->host('', [], 'GET')->assertJsonPath('room.here', 0)->assertJsonPath('numbers', []);
        $this->host('people?outcome=registered', [], 'GET')->assertJsonPath('total', 0);
    }

    public function test_emails_afterwards_wait_until_it_is_known_what_became_of_them(): void
    {
        $this->travelTo('2027-03-01 17:00:05');
        $this->act('begin');
        // The host speaks far longer than was planned; the email for those who missed it is due meanwhile.
        $this->watch($this->robin, 0, 60);
        $this->travelTo('2027-03-01 19:00:30');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame(0, Message::query()->where('name', 'like', 'For those%')->where('state', '!=', 'waiting')->count());
        $this->act('end');
        $this->travel(2)->minutes();
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->travel(3)->minutes();
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame(['For those who left early'], Message::query()->where('name', 'like', 'For those%')->where('state', 'sent')
            ->pluck('name')->all());
    }

    public function test_a_session_that_its_host_forgot_to_end_counts_as_long_as_it_was_planned(): void
    {
        $this->travelTo('2027-03-01 17:00:00');
        $this->act('begin');
        $this->watch($this->robin, 0, 2200);
        self::assertSame(0, $this->settle());
        $this->travelTo('2027-03-01 21:01:00');
        self::assertSame(1, $this->settle());
        // 2,200 seconds of an hour are more than 60 percent; of four hours they would not be.
        self::assertContains('attended', $this->deeds());
    }

    public function test_a_host_who_speaks_for_longer_than_planned_can_still_show_the_offer(): void
    {
        $this->begin();
        $this->watch($this->robin, 0, 60);
        $this->travelTo('2027-03-01 18:05:00');
        $this->act('offer')->assertJsonPath('room.offerShown', true);
        $second = $this->report($this->robin, [])->assertJsonPath('offer.name', 'First Melody')->json('second');
        $this->travel(10)->seconds();
        $this->report($this->robin, [[$second, $second + 10]]);

        self::assertGreaterThan(3600, $second);
        self::assertContains('saw-offer', $this->deeds());
    }

    public function test_a_replay_for_those_who_missed_it_is_not_for_those_who_attended(): void
    {
        $this->change(['replay' => ['delay' => 0, 'days' => 3, 'for' => 'not-attended']]);
        $this->register('wren@example.com', self::KEY);
        $this->travelTo('2027-03-01 17:00:00');
        $this->act('begin');
        $this->watch($this->robin, 0, 60);
        $this->act('end');
        $this->travelTo('2027-03-01 18:30:00');
        self::assertSame(2, $this->settle());
        $replay = function (Registration $of): string {
            $seat = $this->get(RegistrationLinks::path($of).'/replay')->getCookie('lantern_seat', false);

            return (string) $this->withUnencryptedCookie('lantern_seat',
                (string) $seat?->getValue())->get("/{$this->funnel->address}/replay")
                ->getContent();
        };
        self::assertStringContainsString('The replay is not open to you.', $replay($this->robin));
        self::assertStringContainsString('data-room', $replay($this->registration('wren@example.com')));
    }

    public function test_a_replay_tells_and_counts_nothing_while_it_may_not_be_played(): void
    {
        $offer = DraftPart::there($this->funnel->id, 'offer')->where('name', 'Introductory price')->value('id');
        $this->change(['replay' => ['delay' => 60, 'days' => 3], 'offer' => ['offer' => $offer, 'second' => 30]]);
        $facts = fn (): array => [DB::table('events')->count(), DB::table('room_devices')->count(), DB::table('deadline_runs')->count(),
            $this->robin->refresh()->replay_seconds];
        $before = $facts();
        // Days before, during it, and between its end and the replay's hour.
        foreach (['2027-02-27 10:00', '2027-03-01 17:30', '2027-03-01 18:59'] as $at) {
            $this->travelTo($at);
            $this->report($this->robin, [[0, 60]], kind: 'replay')->assertStatus(409)->assertDontSee('order')
                ->assertJsonMissingPath('offer');
        }
        self::assertSame($before, $facts());
        $this->travelTo('2027-03-01 19:00:00');
        $this->report($this->robin, [], kind: 'replay')->assertOk();
        $this->travelTo('2027-03-01 19:02:00');
        $this->report($this->robin, [[0, 100]], kind: 'replay')->assertOk()->assertJsonPath('offerAt', 30);
        self::assertSame(100, $this->robin->refresh()->replay_seconds);
        $this->travelTo('2027-03-04 22:00:30');
        $this->report($this->robin, [], kind: 'replay')->assertOk();
        $this->travelTo('2027-03-04 22:01:00');
        $this->report($this->robin, [], kind: 'replay')->assertStatus(409);
    }

    public function test_everybody_is_moved_to_another_time_and_what_was_going_out_is_told_anew(): void
    {
        $this->travelTo('2027-03-01 15:59:50');
        $this->artisan('lantern:due');
        $this->host('move', ['to' => 's202703021700'])->assertOk()->assertJson(['moved' => 1]);
        $this->host('move', ['to' => self::KEY])->assertStatus(422);
        $this->host('move', ['to' => 's202703031700'])->assertStatus(422);
        $this->robin->refresh();
        self::assertSame(['s202703021700', 1], [$this->robin->session_key, $this->robin->number]);
        $this->travelTo('2027-03-01 16:00:10');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame([], Message::query()->where('name', 'An hour before')->where('state', 'sent')->pluck('id')->all());
        self::assertSame('2027-03-02 16:00', $this->due()['An hour before']);
        self::assertSame(1, Message::query()->where('subject', 'Another time: First Melody')->where('state', 'sent')->count());
        $this->get("/{$this->funnel->address}")->assertDontSee(self::KEY);
    }

    public function test_a_worker_that_was_dead_at_the_start_sends_nothing_that_comes_too_late_and_the_owner_hears_of_it(): void
    {
        $this->begin();
        $this->travelTo('2027-03-01 17:30:00');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertEqualsCanonicalizing(['Confirmation', 'It begins'], Message::query()->where('kind', 'sequence')->where('state', 'sent')
            ->pluck('name')->all());
        self::assertEqualsCanonicalizing(['An hour before', 'Ten minutes before'], Message::query()->where('state', 'cancelled')
            ->pluck('name')->all());
        $this->travel(6)->minutes();
        $this->artisan('lantern:due');
        $this->runQueue();
        $told = Message::query()->where('kind', 'room-notice')->sole();
        self::assertSame(['imke@ferncroft.example', 'sent'], [$told->to_address, $told->state->value]);
        self::assertStringContainsString('2 emails about a session of “First Melody” could not go out in time', (string) $told->text);
    }

    public function test_those_of_an_outcome_are_listed_exported_and_written_to(): void
    {
        $this->register('=wren@example.com', self::KEY);
        $this->begin();
        $this->watch($this->robin, 0, 60);
        $this->act('end');
        $this->travel(40)->seconds();
        self::assertSame(2, $this->settle());
        $this->host('people?outcome=attended', [], 'GET')->assertJsonPath('total', 1)->assertJsonPath('people.0.email', 'robin@example.com')
            ->assertJsonPath('people.0.liveSeconds', 60)->assertJsonPath('people.0.words', 'Attended');
        $this->host('people?outcome=missed', [], 'GET')->assertJsonPath('total', 1);
        $this->host('people?outcome=nonsense&page=x', [], 'GET')->assertJsonPath('total', 2);
        $csv = $this->host('export', [], 'GET')->streamedContent();
        self::assertStringContainsString('robin@example.com,Robin,,2027-03-01T17:00:00Z', $csv);
        self::assertStringNotContainsString("\n=wren", $csv, 'no spreadsheet reckons with an address');
        $broadcast = $this->host('write', ['outcome' => 'missed'])->assertCreated();
        self::assertSame('Missed: Webinar, 1 Mar 18:00', $broadcast->json('tag'));
        self::assertSame(['=wren@example.com'], DB::table('person_tag')->join('tags', 'tags.id', '=', 'tag_id')
            ->join('people', 'people.id', '=', 'person_id')->where('tags.name', $broadcast->json('tag'))->pluck('email')->all());
        $this->host('write', ['outcome' => 'everybody'])->assertStatus(422);
    }
}
