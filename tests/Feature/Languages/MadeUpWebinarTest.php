<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Models\DraftPart;
use App\Models\Registration;
use App\Records\RegistrationLinks;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\Webinars\WebinarTestCase;

/** All that somebody is told who comes to a webinar, in the page of their place, the room, the replay and every email. */
final class MadeUpWebinarTest extends WebinarTestCase
{
    use HearsMadeUp;

    private function seat(Registration $registration, string $to): string
    {
        $answer = $this->get(RegistrationLinks::path($registration).($to === '' ? '' : "/{$to}"));
        $seat = $answer->getCookie('lantern_seat', false);
        if ($seat !== null) {
            $this->withUnencryptedCookie('lantern_seat', (string) $seat->getValue());
        }

        return (string) $answer->headers->get('Location');
    }

    /** Every page of the funnel, as whoever has this place sees it now. */
    private function look(Registration $registration): void
    {
        foreach (['', 'replay', 'change'] as $to) {
            $this->get((string) parse_url($this->seat($registration, $to), PHP_URL_PATH));
        }
        foreach ($this->funnel->liveVersion?->plan()->pages ?? [] as $page) {
            $this->get("/{$this->funnel->address}/{$page->address}");
        }
        $this->get(RegistrationLinks::path($registration).'/session.ics');
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_a_session_that_is_held_live(bool $ofFunnel): void
    {
        $this->ofFunnel = $ofFunnel;
        $this->hold(WebinarMode::Live, ['schedule' => ['kind' => 'dates', 'zone' => 'Europe/Berlin',
            'dates' => ['2027-03-09T18:00', '2027-03-16T18:00', '2027-03-30T18:00'], 'minutes' => 60, 'offered' => 3, 'ahead' => 60,
            'places' => 1]]);
        $this->funnel = $this->inGreek($this->funnel);
        foreach ($this->funnel->liveVersion?->plan()->pages ?? [] as $page) {
            $this->get("/{$this->funnel->address}/{$page->address}");
        }
        $this->register('robin@example.com', 's202703010000')->assertStatus(422);
        $this->register(session: 's202703091700');
        $mine = $this->registration();
        $this->look($mine);
        $this->register('wren@example.com', 's202703091700');
        $waiting = $this->registration('wren@example.com');
        $this->look($waiting);
        $this->register(session: 's202703091700');
        $this->post(RegistrationLinks::path($mine).'/session', ['webinar_session' => 's202703161700']);
        $this->post(RegistrationLinks::path($mine).'/session', ['webinar_session' => 's199903161700']);
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->look($waiting->refresh());
        foreach (['2027-03-09 16:50:00', '2027-03-09 17:05:00', '2027-03-09 18:30:00', '2027-03-12 10:00:00'] as $at) {
            $this->travelTo($at);
            $this->artisan('lantern:due');
            $this->runQueue();
            $this->look($waiting);
            $this->report($waiting, [[0, 10]]);
            $path = RegistrationLinks::path($waiting);
            $this->postJson("{$path}/ask", ['text' => '', 'question' => '']);
            $this->postJson("{$path}/ask", ['text' => str_repeat('α', 5000), 'question' => str_repeat('α', 5000)]);
            $this->postJson("{$path}/ask", ['text' => 'ααα', 'question' => 'ααα', 'device' => self::DEVICE]);
            $this->postJson("{$path}/vote", ['poll' => 'x', 'option' => 0]);
        }
        $api = '/studio/api/parts/'.DraftPart::query()->findOrFail($this->webinar)->id.'/webinar/sessions/s202703161700';
        $this->actingAs($this->host)->postJson("{$api}/move", ['to' => '2027-03-17T18:00', 'moment' => '2027-03-17T18:00',
            'zone' => 'Europe/Berlin']);
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->look($mine->refresh());
        $this->actingAs($this->host)->postJson("{$api}/act", ['act' => 'cancel']);
        $this->artisan('lantern:due');
        $this->runQueue();
        $this->look($mine->refresh());
        $this->post(RegistrationLinks::path($mine).'/cancel');
        $this->look($mine->refresh());
        $this->assertNothingElseWasSaid();
    }

    public function test_a_recording_that_is_watched_when_it_suits(): void
    {
        $this->hold(WebinarMode::Automated);
        $this->funnel = $this->inGreek($this->funnel);
        $this->get("/{$this->funnel->address}")->assertOk();
        $this->register();
        $mine = $this->registration();
        $this->look($mine);
        $this->travelTo($mine->starts_at ?? $this->fail('It has no start.'));
        $this->watch($mine, 0, 120);
        $this->look($mine);
        $this->travel(1)->days();
        $this->settle();
        $this->look($mine);
        $this->travel(30)->days();
        $this->look($mine);
        $this->assertNothingElseWasSaid();
    }
}
