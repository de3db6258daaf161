<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Registration;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Attention\Report;
use Lantern\Core\Events\EventType;
use Lantern\Core\Support\Validity;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\Attendee;
use Lantern\Core\Webinars\WatchKind;

/**
 * What devices report of having played, and what is believed of it. It is kept as intervals, one row for each device, so that a
 * report costs the same however many came before it, and one that comes twice changes nothing.
 */
final readonly class Presence
{
    /** So many devices of one person may be in the room at once. */
    public const MOST_DEVICES = 3;

    /** So many intervals are kept of one device; somebody who jumps about more than that has the shortest gaps closed. */
    private const MOST_INTERVALS = 400;

    public function __construct(private Events $events)
    {
    }

    /**
     * @param  list<array{int, int}>  $played  from and until a second, as the device says
     * @return bool is it in? Not where too many other devices are in with the same link
     */
    public function report(Registration $registration, LiveRoom $room, string $device, WatchKind $kind, array $played,
        DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($registration, $room, $device, $kind, $played, $now): bool {
            $which = ['registration_id' => $registration->id, 'device' => $device, 'kind' => $kind->value];
            $row = DB::table('room_devices')->where($which)->first();
            if (($row === null || self::isAway((string) $row->last_at, $now)) && self::others($registration, $device,
                $now) >= self::MOST_DEVICES) {
                return false;
            }
            $first = $row === null ? $now : new DateTimeImmutable((string) $row->first_at, new DateTimeZone('UTC'));
            $before = $row === null ? Intervals::nothing() : self::read((string) $row->intervals);
            $reached = $room->attendee($registration)->reached($kind, $now);
            $here = $now->getTimestamp() - $first->getTimestamp();
            $believed = $before;
            foreach ($played as [$from, $until]) {
                // What comes twice takes nothing from what is still to be believed.
                $believed = $believed->and((new Report($from, min($until, max($reached, $room->room->length))))
                    ->believed($here, $believed->seconds(), $reached));
            }
            $kept = json_encode($believed->shortened(self::MOST_INTERVALS)->intervals, JSON_THROW_ON_ERROR);
            $values = ['last_at' => Instant::sql($now), 'intervals' => $kept];
            $row === null ? DB::table('room_devices')->insert($which + ['first_at' => Instant::sql($now)] + $values)
                : DB::table('room_devices')->where('id', $row->id)->update($values);
            if ($believed->intervals !== $before->intervals || $row === null) {
                $this->follow($registration, $room, $kind, $now);
            }

            return true;
        });
    }

    public static function read(string $json): Intervals
    {
        return Intervals::read(json_decode($json, true));
    }

    /** What follows at once from having seen more: being there, having seen the offer, having watched the replay. */
    private function follow(Registration $registration, LiveRoom $room, WatchKind $kind, DateTimeImmutable $now): void
    {
        $attendee = $room->attendee($registration);
        $begins = $registration->came_at === null && $attendee->live->seconds() > 0;
        $registration->forceFill(['live_seconds' => $attendee->live->seconds(), 'replay_seconds' => $attendee->replay->seconds(),
            'came_at' => $registration->came_at ?? ($begins ? $now : null)])->save();
        if ($registration->isOnDemand() && $kind === WatchKind::Live) {
            self::onDemand($registration, $attendee, $begins, $now);
        }
        foreach ($attendee->comesTrue($kind) as $outcome) {
            $this->comes($registration, $outcome, $now);
        }
    }

    /** What begins when its person likes has begun with their first second, and is over once they come to its end. */
    private static function onDemand(Registration $registration, Attendee $attendee, bool $begins, DateTimeImmutable $now): void
    {
        $length = $attendee->room->length;
        $registration->forceFill(match (true) {
            $attendee->hasComeToEnd() => ['settle_at' => $now],
            $begins => ['starts_at' => $now, 'ends_at' => $now->modify("+{$length} seconds"), 'settle_at' => $now->modify('+1 day')],
            default => [],
        })->save();
    }

    /** An outcome comes true once, and is told once. */
    public function comes(Registration $registration, AttendanceOutcome $outcome, DateTimeImmutable $now): void
    {
        $column = LiveRoom::column($outcome);
        if (Registration::query()->whereKey($registration->id)->whereNull($column)->update([$column => Instant::sql($now)]) === 1) {
            $registration->refresh();
            $this->events->take(NewEvent::ofRegistration(EventType::from($outcome->value), $registration, $now));
        }
    }

    /** How many people are in the room of a session. */
    public static function here(string $webinar, string $key, DateTimeImmutable $now): int
    {
        return DB::table('room_devices')->join('registrations', 'registrations.id', '=', 'room_devices.registration_id')
            ->where('room_devices.kind', 'live')->where('room_devices.last_at', '>',
                Instant::sql($now->modify('-'.Attendee::AWAY.' seconds')))
            ->where('webinar_id', $webinar)->where('session_key', $key)->where('owner', false)
            ->distinct()->count('registrations.person_id');
    }

    private static function others(Registration $registration, string $device, DateTimeImmutable $now): int
    {
        return DB::table('room_devices')->where('registration_id', $registration->id)->where('device', '!=', $device)
            ->where('last_at', '>', Instant::sql($now->modify('-'.Attendee::AWAY.' seconds')))->distinct()->count('device');
    }

    private static function isAway(string $last, DateTimeImmutable $now): bool
    {
        return ! Validity::since(new DateTimeImmutable($last, new DateTimeZone('UTC')), Attendee::AWAY, $now);
    }
}
