<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Models\WebinarSession;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Webinar;
use Throwable;

/** Looks what became of sessions that are over, once for each person. Doing it twice is doing it once. */
final readonly class AttendanceResults implements DueWork
{
    private const AT_ONCE = 500;

    public function __construct(private Presence $presence)
    {
    }

    public function task(): Task
    {
        return Task::Sessions;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::carbon(DB::table('registrations')->whereNotNull('open')->min('settle_at'))?->addSeconds(Webinar::REPORTS_COME);
    }

    /** @return int for how many it was looked */
    public function work(CarbonImmutable $now): int
    {
        $settled = 0;
        $due = Registration::query()->with(['funnel.liveVersion', 'funnel.business', 'person.business', 'version'])->whereNotNull('open')
            ->where('settle_at', '<=', Instant::sql($now->subSeconds(Webinar::REPORTS_COME)))->orderBy('settle_at')->limit(self::AT_ONCE)
            ->get();
        foreach ($due as $registration) {
            try {
                $settled += DB::transaction(fn (): int => $this->settle($registration, $now) ? 1 : 0);
            } catch (Throwable $e) {
                // One that cannot be settled must not keep the others waiting, nor the emails that are sent after this. It is tried again.
                report($e);
                Registration::query()->whereKey($registration->id)->update(['settle_at' => Instant::sql($now->addHour())]);
            }
        }

        return $settled;
    }

    private function settle(Registration $registration, CarbonImmutable $now): bool
    {
        $room = LiveRoom::of($registration);
        $became = $room->attendee($registration)->became($now);
        if ($became === null) {
            // The host still speaks, or forgot to end it.
            $registration->forceFill(['settle_at' => $now->addMinute()])->save();

            return false;
        }
        if (Registration::query()->whereKey($registration->id)->whereNotNull('open')
            ->update(['open' => null, 'settled_at' => Instant::sql($now)]) === 0) {
            return false;
        }
        $registration->refresh();
        if ($registration->state !== RegistrationState::Waiting) {
            $registration->forceFill(['live_seconds' => $room->attendee($registration)->live->seconds()])->save();
        }
        foreach ($became as $outcome) {
            $this->presence->comes($registration, $outcome, $now);
        }

        return true;
    }

    /** The host has ended a session: it is looked at soon. */
    public static function soon(WebinarSession $session, DateTimeImmutable $now): void
    {
        DB::table('registrations')->where('webinar_id', $session->webinar_id)->where('session_key', $session->session_key)
            ->whereNotNull('open')->update(['settle_at' => Instant::sql($now)]);
    }
}
