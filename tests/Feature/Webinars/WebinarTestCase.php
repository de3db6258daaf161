<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Drafts\NewFunnel;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Registration;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use App\Records\RegistrationLinks;
use App\Support\Ids;
use App\Webinars\AttendanceResults;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use Tests\Drafts\Prices;
use Tests\TestCase;

/** A live funnel from the starter that holds a webinar; its recording is two and a half minutes long. */
abstract class WebinarTestCase extends TestCase
{
    protected const DEVICE = '00112233445566aa';

    /** Seconds of the recording. */
    protected const LENGTH = 150;

    protected User $host;

    protected Funnel $funnel;

    protected string $webinar;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-03-01 10:05:00');
        $this->host = $this->owner();
    }

    /** @param  array<string, mixed>  $more  of the webinar */
    protected function hold(WebinarMode $mode, array $more = []): void
    {
        $this->funnel = app(NewFunnel::class)->fromStarter($this->host->business, Goal::Webinar, 'Webinar', 'First Melody', null,
            \Tests\Core\Plan\Plans::price(), $mode);
        Prices::fillIn($this->funnel);
        $this->webinar = DraftPart::there($this->funnel->id, Webinar::kind())->sole()->id;
        $this->change($more + ['video' => $this->recording()->id] + ($mode === WebinarMode::Automated
            ? ['offer' => ['offer' => $this->offerId(), 'second' => 90]] : []));
    }

    /** @param  array<string, mixed>  $values */
    protected function change(array $values): void
    {
        DraftPart::query()->findOrFail($this->webinar)->change($values)->save();
        app(Publishing::class)->publish($this->funnel, null);
        $this->funnel->refresh();
    }

    protected function recording(): Upload
    {
        $id = Ids::next();
        Storage::disk('uploads')->put("videos/{$id}", (string) file_get_contents(database_path('demo/media/first-melody.webm')));

        return Upload::query()->create(['id' => $id, 'business_id' => $this->host->business_id, 'kind' => 'video', 'name' => 'first.webm',
            'mime' => 'video/webm', 'bytes' => 1, 'path' => "videos/{$id}", 'sha256' => str_repeat('0', 64)]);
    }

    private function offerId(): string
    {
        $part = DraftPart::query()->findOrFail($this->webinar)->part();

        return $part instanceof Webinar ? (string) $part->offer?->offer : '';
    }

    /** Somebody fills the form in, in a browser of their own whose clock is in that zone. */
    protected function register(string $email = 'robin@example.com', string $session = '', string $zone = 'Europe/Oslo'): TestResponse
    {
        return $this->join($this->funnel, ['email' => $email, 'first_name' => 'Robin', 'zone' => $zone,
            'visitor' => md5($email)] + ($session === '' ? [] : ['webinar_session' => $session]));
    }

    protected function registration(string $email = 'robin@example.com'): Registration
    {
        return Registration::query()->where('person_id', Person::query()->where('email', $email)->value('id'))->latest('id')->firstOrFail();
    }

    /**
     * A device says what it has played.
     *
     * @param  list<array{mixed, mixed}>  $played
     */
    protected function report(Registration $registration, array $played, string $device = self::DEVICE, string $kind = 'live'): TestResponse
    {
        $body = ['device' => $device, 'kind' => $kind, 'played' => $played];

        return $this->postJson(RegistrationLinks::path($registration).'/report', $body);
    }

    /** A device plays from a second on for as long as the clock goes on, and reports every ten seconds. */
    protected function watch(Registration $registration, int $from, int $until, string $device = self::DEVICE): TestResponse
    {
        $answer = $this->report($registration, [], $device);
        for ($at = $from; $at < $until; $at += 10) {
            $this->travel(min(10, $until - $at))->seconds();
            $answer = $this->report($registration, [[$at, min($at + 10, $until)]], $device);
        }

        return $answer;
    }

    protected function settle(): int
    {
        return app(AttendanceResults::class)->work(CarbonImmutable::now());
    }

    /** @return array<string, string> when the emails of somebody are due, in UTC, by name; those that wait */
    protected function due(string $email = 'robin@example.com'): array
    {
        return array_map(fn ($at): string => substr((string) $at, 0, 16), DB::table('messages')->where('to_address', $email)
            ->where('state', 'waiting')->orderBy('due_at')->pluck('due_at', 'name')->all());
    }

    /** @return list<string> what happened to somebody, in order */
    protected function deeds(string $email = 'robin@example.com'): array
    {
        return array_values(array_map(strval(...), DB::table('events')->where('person_id', Person::query()->where('email',
            $email)->value('id'))
            ->whereIn('type', ['registered', 'session-cancelled', 'attended', 'saw-offer', 'left-early', 'missed', 'watched-replay'])
            ->orderBy('id')->pluck('type')->all()));
    }
}
