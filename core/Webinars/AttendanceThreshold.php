<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use Lantern\Core\Attention\Intervals;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** From when on somebody has attended: so many minutes, or such a share of the session. */
final readonly class AttendanceThreshold
{
    /** Whoever sees less of a replay has only looked in. Seconds. */
    private const REPLAY = 60;

    /**
     * @param  int|null  $minutes  null where a share is meant
     * @param  int  $percent  of the whole, from 1 to 100
     */
    public function __construct(public ?int $minutes = null, public int $percent = 60)
    {
    }

    public static function fromShape(?Shape $shape): self
    {
        return $shape === null ? new self
            : new self($shape->has('minutes') ? $shape->integer('minutes', 1, 720) : null, $shape->integer('percent', 1, 100, 60));
    }

    public function isReached(Intervals $watched, int $length): bool
    {
        return $this->minutes === null ? $watched->seconds() * 100 >= $this->percent * $length && $length > 0
            : $watched->seconds() >= $this->minutes * 60;
    }

    /**
     * @param  Intervals  $live  what was seen of the session itself
     * @param  int  $length  of the session, in seconds
     * @param  int|null  $offerAt  the second from which on the offer is in sight; null where it is not
     * @param  bool  $over  has the session ended? Before that nobody has missed it, nor left early for good.
     * @return list<AttendanceOutcome>
     */
    public function outcomes(Intervals $live, Intervals $replay, int $length, ?int $offerAt, bool $over): array
    {
        $came = $live->seconds() > 0;
        $attended = $came && $this->isReached($live, $length);

        return array_values(array_filter([
            $attended ? AttendanceOutcome::Attended : null,
            // It stays in sight from its moment on: whoever comes after it sees it as well.
            $offerAt !== null && ($live->until() ?? 0) > $offerAt ? AttendanceOutcome::SawOffer : null,
            $came && ! $attended && $over ? AttendanceOutcome::LeftEarly : null,
            ! $came && $over ? AttendanceOutcome::Missed : null,
            $replay->seconds() >= self::REPLAY ? AttendanceOutcome::WatchedReplay : null,
        ]));
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'minutes' => Written::whole(1, 720), 'percent' => Written::whole(1, 100),
        ], description: 'from when on somebody has attended');
    }

    /** @return array<string, int> */
    public function toArray(): array
    {
        return $this->minutes === null ? ['percent' => $this->percent] : ['minutes' => $this->minutes];
    }
}
