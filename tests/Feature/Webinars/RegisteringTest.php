<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Models\Message;
use App\Models\Registration;
use App\Models\Submission;
use App\Records\RegistrationLinks;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Webinars\WebinarMode;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;

/** Sessions of a live webinar: chosen, full, moved, cancelled, registered for with one click; and what cannot be had. */
final class RegisteringTest extends WebinarTestCase
{
    private const FIRST = 's202703091700';

    private const SECOND = 's202703161700';

    private const THIRD = 's202703301600';

    /** @param  array<string, mixed>  $more  of the schedule */
    private function schedule(array $more = []): void
    {
        // The clocks of Berlin change between the second and the third.
        $this->hold(WebinarMode::Live, ['schedule' => $more + ['kind' => 'dates', 'zone' => 'Europe/Berlin',
            'dates' => ['2027-03-09T18:00', '2027-03-16T18:00', '2027-03-30T18:00'], 'minutes' => 60, 'offered' => 3, 'ahead' => 60]]);
    }

    /** Their own page, with the cookie that their link gives. */
    private function visit(Registration $registration, string $to = 'change'): string
    {
        $seat = $this->get(RegistrationLinks::path($registration).($to === '' ? '' : "/{$to}"))->getCookie('lantern_seat', false);

        return (string) $this->withUnencryptedCookie('lantern_seat',
            (string) $seat?->getValue())->get("/{$this->funnel->address}/confirmation")
            ->assertOk()->getContent();
    }

    public function test_reminders_are_told_from_the_session_in_true_time_across_the_change_of_the_clocks(): void
    {
        $this->schedule();
        $this->register(session: self::THIRD, zone: 'America/New_York');
        self::assertSame(['A week before' => '2027-03-23 16:00', 'A day before' => '2027-03-29 16:00', 'An hour before' => '2027-03-30 '
            .'15:00',
            'Ten minutes before' => '2027-03-30 15:50', 'It begins' => '2027-03-30 16:00', 'For those who attended' => '2027-03-30 17:30',
            'For those who left early' => '2027-03-30 18:00', 'For those who missed it' => '2027-03-30 18:00',
            'Before the replay ends' => '2027-04-03 00:00'], array_diff_key($this->due(), ['Confirmation' => 0]));
        self::assertStringContainsString('Tuesday 30 March at 12:00, New York time', $this->visit($this->registration()));
    }

    public function test_whoever_registers_late_gets_only_what_still_makes_sense(): void
    {
        $this->schedule();
        $this->travelTo('2027-03-09 16:45:00');
        $this->register(session: self::FIRST);
        self::assertSame(['It begins', 'For those who attended', 'For those who left early', 'For those who missed it',
            'Before the replay ends'], array_keys(array_diff_key($this->due(), ['Confirmation' => 0])));
        $this->travelTo('2027-03-09 17:05:00');
        $this->register('late@example.com', self::FIRST)->assertStatus(422)->assertSee('This session cannot be chosen any more');
        self::assertSame(1, Registration::query()->count());
    }

    public function test_changing_the_session_moves_everything_once_and_cancelling_ends_it(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $this->travelTo('2027-03-08 17:00:05');
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame(1, Message::query()->where('name', 'A day before')->where('state', 'sent')->count());
        $registration = $this->registration();
        $this->post(RegistrationLinks::path($registration).'/session',
            ['webinar_session' => self::SECOND])->assertRedirect($this->funnel->url('confirmation'));
        $this->post(RegistrationLinks::path($registration).'/session', ['webinar_session' => self::SECOND])->assertRedirect();

        $registration->refresh();
        self::assertSame([self::SECOND, 1, 'registered'], [$registration->session_key, $registration->number, $registration->state->value]);
        // A week before that would come within a day of choosing it, and says nothing new.
        self::assertSame('2027-03-15 17:00', $this->due()['A day before']);
        self::assertArrayNotHasKey('A week before', $this->due());
        self::assertSame(2, Message::query()->where('name', 'A day before')->count(), 'one that was sent, and one to come');
        self::assertSame(0, Message::query()->where('kind', 'sequence')->where('state', 'waiting')->where('due_at', '<',
            '2027-03-09 17:00:00.000')->count());
        $calendar = Reader::read((string) $this->get(RegistrationLinks::path($registration).'/session.ics')->assertOk()->getContent());
        self::assertInstanceOf(VCalendar::class, $calendar);
        self::assertSame(['1', '20270316T170000Z', 'CONFIRMED'], [(string) $calendar->VEVENT->SEQUENCE, (string) $calendar->VEVENT->DTSTART,
            (string) $calendar->VEVENT->STATUS]);

        $this->post(RegistrationLinks::path($registration).'/cancel')->assertRedirect();
        $this->post(RegistrationLinks::path($registration).'/cancel')->assertRedirect();
        self::assertSame([], $this->due());
        self::assertSame(['registered', 'session-cancelled'], $this->deeds());
        $calendar = Reader::read((string) $this->get(RegistrationLinks::path($registration).'/session.ics')->getContent());
        self::assertSame(['2', 'CANCELLED'], [(string) $calendar->VEVENT->SEQUENCE, (string) $calendar->VEVENT->STATUS]);
        self::assertStringContainsString('Your place is cancelled.', $this->visit($registration->refresh()));
        $this->report($registration, [[0, 10]])->assertJson(['state' => 'cancelled']);
        self::assertSame(0, DB::table('room_devices')->count());
    }

    public function test_five_places_are_given_to_five_and_the_sixth_moves_up_when_one_is_free(): void
    {
        $this->schedule(['places' => 5]);
        foreach (range(1, 8) as $n) {
            $this->register("r{$n}@example.com", self::FIRST)->assertRedirect();
        }
        $state = fn (): array => Registration::query()->orderBy('registered_at')->orderBy('id')->get()
            ->map(fn (Registration $r): string => $r->state->value)->all();
        self::assertSame([...array_fill(0, 5, 'registered'), 'waiting', 'waiting', 'waiting'], $state());
        self::assertSame([], array_diff_key($this->due('r6@example.com'), ['Confirmation' => 0]), 'no reminders without a place');
        $this->get("/{$this->funnel->address}")->assertSee('Full. Choose it to go on the waiting list.');
        $this->post(RegistrationLinks::path($this->registration('r2@example.com')).'/cancel');
        self::assertSame('registered', $this->registration('r6@example.com')->state->value);
        self::assertSame('waiting', $this->registration('r7@example.com')->state->value);
        self::assertArrayHasKey('A day before', $this->due('r6@example.com'));
        $this->runQueue();
        self::assertSame(1, Message::query()->where('to_address', 'r6@example.com')->where('name', 'About their session')
            ->where('subject', 'You have a place: First Melody')->count());
        // Whoever goes to another session leaves a place, too.
        $this->post(RegistrationLinks::path($this->registration('r1@example.com')).'/session', ['webinar_session' => self::SECOND]);
        self::assertSame('registered', $this->registration('r7@example.com')->state->value);
    }

    /** @return iterable<string, array{string, string|null}> a zone as a browser calls it, and by the name it has today */
    public static function zones(): iterable
    {
        yield 'as it is called today' => ['Europe/Oslo', 'Europe/Oslo'];
        yield 'as it was called once' => ['Asia/Calcutta', 'Asia/Kolkata'];
        yield 'likewise' => ['Asia/Saigon', 'Asia/Ho_Chi_Minh'];
        yield 'by the abbreviation' => ['US/Eastern', 'America/New_York'];
        yield 'universal time' => ['Etc/UTC', 'UTC'];
        yield 'none' => ['Moon/Tycho', null];
        yield 'hostile' => ['"><script>alert(1)</script>', null];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('zones')]
    public function test_a_zone_is_known_by_whatever_name_a_browser_gives_it(string $name, ?string $zone): void
    {
        $this->schedule();
        $html = (string) $this->withUnencryptedCookie('lantern_zone', $name)->get("/{$this->funnel->address}")->assertOk()->getContent();
        self::assertStringContainsString(\Lantern\Core\Deadlines\TimeWords::moment(now()->setDateTime(2027, 3, 9, 17, 0)->toImmutable(),
            new \DateTimeZone($zone ?? 'Europe/Berlin'), 'en', now()->toImmutable()), $html);
        self::assertStringNotContainsString('<script>alert', $html);
        $this->register(session: self::FIRST, zone: $name);
        self::assertSame($zone ?? 'Europe/Berlin', $this->registration()->zone);
    }

    /** @return iterable<string, array{string}> */
    public static function foreign(): iterable
    {
        yield 'past' => ['s202702090017'];
        yield 'of a time that is none of its sessions' => ['s202703091730'];
        yield 'of another kind' => ['n202703091700'];
        yield 'far ahead' => ['s203003091700'];
        yield 'no key' => ["s202703091700'; drop table people; --"];
        yield 'a day that is none' => ['s202702301700'];
        yield 'on demand' => ['d'];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('foreign')]
    public function test_a_session_that_is_not_offered_cannot_be_had(string $key): void
    {
        $this->schedule();
        $this->register(session: $key)->assertStatus(422)->assertSee('robin@example.com')->assertSee('cannot be chosen any more');
        self::assertSame([0, 0], [Registration::query()->count(), Submission::query()->count()]);
        $this->register(session: self::FIRST);
        $this->post(RegistrationLinks::path($this->registration()).'/session', ['webinar_session' => $key])->assertStatus(409);
        self::assertSame(self::FIRST, $this->registration()->session_key);
    }

    public function test_a_session_that_is_a_list_or_missing_is_the_next_one(): void
    {
        $this->schedule();
        $this->join($this->funnel, ['email' => 'robin@example.com', 'webinar_session' => ['x'], 'visitor' => md5('a')])->assertRedirect();
        self::assertSame(self::FIRST, $this->registration()->session_key);
    }

    public function test_a_stranger_who_types_an_address_moves_nobody_and_the_address_hears_of_it(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $this->join($this->funnel, ['email' => 'Robin@Example.com', 'webinar_session' => self::SECOND, 'visitor' => md5('stranger'),
            'zone' => 'Europe/Oslo'])->assertRedirect();
        self::assertSame([self::FIRST, 0], [$this->registration()->session_key, $this->registration()->number]);
        $this->runQueue();
        self::assertSame(1, Message::query()->where('subject', 'You have a place already: First Melody')->count());
        $html = (string) $this->withCookie('lantern_joined', (string) Submission::query()->latest('id')->value('id'))
            ->get("/{$this->funnel->address}/confirmation")->getContent();
        self::assertStringContainsString('Please look in your inbox', $html);
        self::assertStringNotContainsString('/r/', $html);
        // In a browser that is known to be theirs, they choose.
        $this->register(session: self::SECOND);
        self::assertSame(self::SECOND, $this->registration()->session_key);
    }

    public function test_whoever_comes_from_our_email_registers_with_one_click(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $person = $this->registration()->person_id;
        DB::table('registrations')->delete();
        $page = (string) $this->withCookie('lantern_reader', $person)->get("/{$this->funnel->address}")
            ->assertSee('Keep Robin a place')->getContent();
        preg_match('/name="token" value="([^"]+)"/', $page, $token);
        $this->withCookie('lantern_reader', $person)->post("/{$this->funnel->address}", ['book' => $this->webinar, 'token' => $token[1],
            'form' => DB::table('submissions')->value('form_id'), 'webinar_session' => self::SECOND])
            ->assertRedirect($this->funnel->url('confirmation'))->assertCookie('lantern_seat');
        self::assertSame([self::SECOND, $person], [$this->registration()->session_key, $this->registration()->person_id]);
        // Without the cookie the button is a form like any other.
        $this->defaultCookies = [];
        $this->post("/{$this->funnel->address}", ['book' => $this->webinar, 'token' => $token[1], 'webinar_session' => self::FIRST])
            ->assertStatus(422);
    }

    public function test_a_double_opt_in_takes_the_place_when_the_address_is_confirmed(): void
    {
        $this->schedule(['places' => 1]);
        $form = \App\Models\DraftPart::there($this->funnel->id, 'form')->sole();
        $form->change(['doubleOptIn' => true])->save();
        $this->change([]);
        $this->register('slow@example.com', self::FIRST);
        $this->register('quick@example.com', self::FIRST);
        self::assertSame(0, Registration::query()->count());
        $confirm = function (string $email): void {
            $submission = Submission::query()->whereHas('person', fn ($q) => $q->where('email', $email))->sole();
            app(\App\Forms\TakeSignup::class)->confirmed($submission->load(['version', 'person', 'funnel']), now()->toImmutable(), null,
                false);
        };
        $confirm('quick@example.com');
        $confirm('slow@example.com');
        self::assertSame(['registered', 'waiting'], [$this->registration('quick@example.com')->state->value,
            $this->registration('slow@example.com')->state->value]);
    }

    public function test_somebody_with_the_last_place_keeps_it_when_they_register_again(): void
    {
        $this->schedule(['places' => 1]);
        $this->register(session: self::FIRST);
        $this->register(session: self::FIRST);
        self::assertSame(['registered', 1], [$this->registration()->state->value, Registration::query()->count()]);
        $this->register('wren@example.com', self::FIRST);
        self::assertSame('waiting', $this->registration('wren@example.com')->state->value);
        // Whoever still waits when it is over has missed nothing, and gets no replay.
        $this->travelTo('2027-03-09 18:01:00');
        \App\Models\WebinarSession::query()->create(['business_id' => $this->host->business_id, 'funnel_id' => $this->funnel->id,
            'webinar_id' => $this->webinar, 'session_key' => self::FIRST, 'starts_at' => '2027-03-09 17:00:00',
            'ends_at' => '2027-03-09 18:00:00', 'begun_at' => '2027-03-09 17:00:00', 'ended_at' => '2027-03-09 18:00:00']);
        self::assertSame(2, $this->settle());
        self::assertSame([['missed'], []], [$this->deeds(), $this->deeds('wren@example.com')]);
    }

    public function test_a_session_further_ahead_than_is_offered_or_called_off_cannot_be_had(): void
    {
        $this->schedule(['ahead' => 10]);
        $this->register(session: self::SECOND)->assertStatus(422);
        \App\Models\WebinarSession::query()->create(['business_id' => $this->host->business_id, 'funnel_id' => $this->funnel->id,
            'webinar_id' => $this->webinar, 'session_key' => self::FIRST, 'starts_at' => '2027-03-09 17:00:00',
            'ends_at' => '2027-03-09 18:00:00', 'cancelled_at' => now()]);
        $this->register(session: self::FIRST)->assertStatus(422);
        $this->get("/{$this->funnel->address}")->assertSee('There is no session to register for at the moment');
        $this->register()->assertRedirect();
        self::assertSame([0, 1], [Registration::query()->count(), Submission::query()->count()]);
        $this->withCookie('lantern_joined', (string) Submission::query()->value('id'))->get("/{$this->funnel->address}/confirmation")
            ->assertSee('You hear of the next one by email');
    }

    public function test_a_reminder_of_the_session_before_that_a_worker_holds_already_does_not_go_out(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $held = Message::query()->where('name', 'A day before')->sole()->id;
        $this->post(RegistrationLinks::path($this->registration()).'/session', ['webinar_session' => self::SECOND]);
        Message::query()->whereKey($held)->update(['state' => 'waiting', 'trouble' => null]);
        $this->travelTo('2027-03-15 17:00:05');
        app(\App\Mail\Sending\MessageSender::class)->send($held);
        self::assertSame(['cancelled', 'Is in another session now.'], [Message::query()->findOrFail($held)->state->value,
            Message::query()->findOrFail($held)->trouble]);
    }

    public function test_a_reader_whose_own_field_is_called_like_a_link_of_ours_leads_nowhere_with_it(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $person = $this->registration()->person_id;
        \App\People\Fields\OwnFields::set($person, 'room_link', ['https://evil.example/']);
        $this->runQueue();
        self::assertStringNotContainsString('evil.example', (string) Message::query()->where('name', 'Confirmation')->sole()->html);
        self::assertStringNotContainsString('evil.example', (string) Message::query()->where('name', 'Confirmation')->sole()->text);
        DB::table('registrations')->delete();
        $message = Message::query()->where('name', 'Confirmation')->sole();
        self::assertNull(app(\App\Mail\Emails\EmailWriter::class)->target($message, '{{room_link}}'));
    }

    public function test_closing_the_funnel_closes_sign_ups_and_not_the_room_of_those_who_have_a_place(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        app(\App\Publishing\Publishing::class)->close($this->funnel);
        $this->get("/{$this->funnel->address}/room")->assertDontSee('You are in the room');
        $seat = $this->get(RegistrationLinks::path($this->registration()))->assertRedirect()->getCookie('lantern_seat', false);
        $this->withUnencryptedCookie('lantern_seat', (string) $seat?->getValue())->get("/{$this->funnel->address}/room")->assertOk()
            ->assertSee('You are in the room')->assertSee('data-room', false);
        $this->get("/{$this->funnel->address}")->assertDontSee('Keep me a place');
    }

    public function test_links_of_others_and_made_up_ones_open_nothing(): void
    {
        $this->schedule();
        $this->register(session: self::FIRST);
        $registration = $this->registration();
        $bad = "/r/{$registration->id}/".str_repeat('0', 20);
        foreach (['', '/replay', '/change', '/session.ics'] as $path) {
            $this->get($bad.$path)->assertNotFound();
        }
        foreach (['session', 'cancel', 'report', 'ask', 'vote'] as $path) {
            $this->postJson("{$bad}/{$path}", ['device' => self::DEVICE])->assertNotFound();
        }
        $this->withCookie('lantern_seat', "{$registration->id}.".str_repeat('0', 20))->get("/{$this->funnel->address}/room")
            ->assertSee('This room is for those who registered');
        self::assertSame('registered', $registration->refresh()->state->value);
    }
}
