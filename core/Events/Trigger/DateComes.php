<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;

/**
 * A day that is kept in a field of somebody comes round: that very day, or the same day of every year; or so many days before it or
 * after it. It comes at nine in the morning of that day in their own zone.
 */
final readonly class DateComes implements Trigger
{
    public const MOST_DAYS = 90;

    private const AT = '09:00';

    private const KEY = 'date:';

    /**
     * @param  string  $field  the name of an own field of people
     * @param  int  $days  after the day; before it where it is less than nothing
     */
    public function __construct(public string $field, public bool $yearly = false, public int $days = 0)
    {
    }

    public static function kind(): string
    {
        return 'date';
    }

    public static function label(): string
    {
        return 'A day in one of their fields comes';
    }

    public static function fields(): array
    {
        return ['field' => 'date-field', 'yearly' => 'yearly', 'days' => 'days'];
    }

    public static function fromShape(Shape $shape): self
    {
        $field = $shape->text('field', 60, '');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $field) !== 1) {
            throw Invalid::at($shape->path('field'), 'Please choose the field in which the day stands.');
        }

        return new self($field, $shape->flag('yearly'), $shape->integer('days', -self::MOST_DAYS, self::MOST_DAYS, 0));
    }

    public function key(): string
    {
        return self::KEY."{$this->field}:".($this->yearly ? 'yearly' : 'once').":{$this->days}";
    }

    /** With which the keys of all of them begin. */
    public static function beginning(): string
    {
        return self::KEY;
    }

    /** The one that a key speaks of; null for a key of another kind. */
    public static function ofKey(string $key): ?self
    {
        return preg_match('/^'.self::KEY.'([a-z][a-z0-9_]{0,39}):(yearly|once):(-?[0-9]{1,3})$/D', $key, $m) === 1
            ? new self($m[1], $m[2] === 'yearly', (int) $m[3]) : null;
    }

    /**
     * Days that stand in a field and come round on a calendar day: of every year, as month and day (`12-24`), else whole
     * (`2026-12-24`). Whoever has the 29th of February has it on the 28th in a year without one.
     *
     * @param  string  $today  the calendar day, such as `2026-12-24`
     * @return list<string>
     */
    public function daysComingOn(string $today): array
    {
        $day = (new DateTimeImmutable($today, new DateTimeZone('UTC')))->modify((-$this->days).' days');
        if (! $this->yearly) {
            return [$day->format('Y-m-d')];
        }

        return [$day->format('m-d'), ...($day->format('m-d') === '02-28' && $day->format('L') === '0' ? ['02-29'] : [])];
    }

    /** Has it come on a calendar day, for somebody in a zone, and not before a moment? */
    public static function hasCome(string $day, DateTimeZone $zone, DateTimeImmutable $since, DateTimeImmutable $now): bool
    {
        $at = self::momentOf($day, $zone);

        return $since <= $at && $at <= $now;
    }

    /**
     * When it comes next for somebody whose field holds a day.
     *
     * @param  string  $day  such as `1984-12-24`; what is none never comes
     */
    public function next(string $day, DateTimeZone $zone, DateTimeImmutable $after): ?DateTimeImmutable
    {
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $day, $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            return null;
        }
        $year = (int) $after->format('Y');
        foreach ($this->yearly ? range($year - 1, $year + 2) : [(int) $m[1]] as $of) {
            $date = checkdate((int) $m[2], (int) $m[3], $of) ? "{$of}-{$m[2]}-{$m[3]}" : "{$of}-02-28";
            $shifted = (new DateTimeImmutable($date, new DateTimeZone('UTC')))->modify("{$this->days} days")->format('Y-m-d');
            $at = self::momentOf($shifted, $zone);
            if ($at > $after) {
                return $at;
            }
        }

        return null;
    }

    /** When it comes on a calendar day, for somebody in a zone; in UTC. */
    public static function momentOf(string $today, DateTimeZone $zone): DateTimeImmutable
    {
        return WallClock::at($today, self::AT, $zone);
    }

    /** @param  callable(string $id): string  $name */
    private function day(callable $name): string
    {
        $called = $name($this->field);

        return match (true) {
            $this->days === 0 => 'the day',
            abs($this->days) === 1 => 'a day '.($this->days < 0 ? 'before the day' : 'after the day'),
            default => abs($this->days).' days '.($this->days < 0 ? 'before the day' : 'after the day'),
        }.' in “'.($called === '' ? $this->field : $called).'”'.($this->yearly ? ', every year' : '');
    }

    public function words(callable $name): string
    {
        return ucfirst($this->day($name)).' came';
    }

    public function when(callable $name): string
    {
        return 'come to '.$this->day($name);
    }

    public function references(): array
    {
        return [];
    }

    public function withIds(array $ids): self
    {
        return $this;
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'field' => $this->field] + ($this->yearly ? ['yearly' => true] : [])
            + ($this->days === 0 ? [] : ['days' => $this->days]);
    }
}
