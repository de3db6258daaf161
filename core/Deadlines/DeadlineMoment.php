<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/**
 * When an email goes out, told from a deadline: so many minutes of elapsed time or so many calendar days before or after it
 * starts or ends, at the hour at which it does or at a set hour of the day.
 */
final readonly class DeadlineMoment
{
    use Rebuilt;

    public const MOST_DAYS = 365;

    public const MOST_MINUTES = 30 * 24 * 60;

    /** How late an email about an end that has passed may still go out, where nothing else limits it. Hours. */
    public const LATEST_HOURS = 24;

    /**
     * @param  int  $minutes  below 0 for before; likewise `days`, of which one at most is not 0
     * @param  int|null  $hour  of the day, 0 to 23, for days
     */
    private function __construct(
        public string $deadline,
        public Edge $edge,
        public int $minutes,
        public int $days,
        public ?int $hour,
    ) {
    }

    /** @throws Invalid for more than thirty days in minutes or a year in days */
    public static function of(string $deadline, Edge $edge, int $minutes = 0, int $days = 0, ?int $hour = null,
        string $path = 'timing'): self
    {
        if (abs($minutes) > self::MOST_MINUTES || abs($days) > self::MOST_DAYS || ($minutes !== 0 && $days !== 0)) {
            throw Invalid::at($path, 'An email goes out at most thirty days in hours, or a year in days, before or after a deadline.');
        }
        if ($hour !== null && ($hour < 0 || $hour > 23)) {
            throw Invalid::at($path, 'An hour of the day is between 0 and 23.');
        }
        if ($edge === Edge::Start && ($minutes < 0 || $days < 0)) {
            throw Invalid::at($path, 'Nobody knows beforehand when a deadline starts for somebody.');
        }

        return new self($deadline, $edge, $minutes, $days, $days === 0 ? null : $hour);
    }

    public static function fromShape(Shape $shape): self
    {
        return self::of($shape->text('deadline', 40), $shape->choice('edge', Edge::class, Edge::End->value),
            $shape->integer('minutes', PHP_INT_MIN + 1, PHP_INT_MAX, 0), $shape->integer('days', PHP_INT_MIN + 1, PHP_INT_MAX, 0),
            $shape->has('hour') ? $shape->integer('hour', 0, 23) : null, $shape->path('edge'));
    }

    /**
     * The moment for somebody whose deadline runs so, in UTC. Days are calendar days in the zone; hours that the clocks skip or
     * show twice are read as {@see WallClock::at()} says.
     */
    public function at(Run $run, DateTimeZone $zone): DateTimeImmutable
    {
        $from = $this->edge === Edge::Start ? $run->startedAt : $run->endsAt;
        if ($this->days === 0) {
            return $from->modify(sprintf('%+d minutes', $this->minutes));
        }
        $local = $from->setTimezone($zone);
        $day = (new DateTimeImmutable($local->format('Y-m-d'), new DateTimeZone('UTC')))->modify(sprintf('%+d days', $this->days))
            ->format('Y-m-d');

        return WallClock::at($day, $this->hour === null ? $local->format('H:i:s.u') : sprintf('%02d:00', $this->hour), $zone);
    }

    /**
     * The first moment at which it would come too late: what warns of an end is not sent once the end has passed, and what
     * tells of one not a day later.
     */
    public function tooLate(Run $run, DateTimeZone $zone): DateTimeImmutable
    {
        $due = $this->at($run, $zone);

        return $due < $run->endsAt ? $run->endsAt : $due->modify('+'.self::LATEST_HOURS.' hours');
    }

    /** Does it warn of the end, so that it must be there before it? */
    public function warns(): bool
    {
        return $this->edge === Edge::End && ($this->minutes < 0 || $this->days < 0);
    }

    /**
     * Where it stands on a time scale that begins with the start of the deadline, in minutes.
     *
     * @param  int  $length  of the deadline, in minutes
     */
    public function offset(int $length): int
    {
        return max(0, ($this->edge === Edge::Start ? 0 : $length) + $this->minutes + $this->days * 1440);
    }

    /** In words: "3 hours before it ends", "1 day after it ends at 09:00", "when it starts". */
    public function words(): string
    {
        $verb = $this->edge === Edge::Start ? 'starts' : 'ends';
        $n = abs($this->minutes) + abs($this->days);
        if ($n === 0) {
            return "when it {$verb}";
        }
        [$count, $unit] = match (true) {
            $this->days !== 0 => [$n, 'day'],
            $n % 60 === 0 => [intdiv($n, 60), 'hour'],
            default => [$n, 'minute'],
        };

        return "{$count} {$unit}".($count === 1 ? '' : 's').($this->minutes + $this->days < 0 ? ' before' : ' after')." it {$verb}"
            .($this->hour === null ? '' : sprintf(' at %02d:00', $this->hour));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return $this->changed(deadline: $ids[$this->deadline] ?? $this->deadline);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return ['required' => ['deadline', 'edge'], 'properties' => [
            'deadline' => Written::id(), 'edge' => Written::choice(Edge::class),
            'minutes' => Written::whole(-self::MOST_MINUTES, self::MOST_MINUTES, 'below 0 is before it'),
            'days' => Written::whole(-self::MOST_DAYS, self::MOST_DAYS), 'hour' => Written::whole(0, 23),
        ]];
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return ['deadline' => $this->deadline, 'edge' => $this->edge->value]
            + array_filter(['minutes' => $this->minutes, 'days' => $this->days]) + ($this->hour === null ? [] : ['hour' => $this->hour]);
    }
}
