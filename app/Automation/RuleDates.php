<?php

declare(strict_types=1);

namespace App\Automation;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Journey\WaitedFor;
use App\Models\Person;
use App\Support\DueWork;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\DateComes;
use stdClass;

/**
 * Days that stand in fields of people come round: told once for each day, at its hour in the person's own zone, also when that is noticed
 * up to two days late.
 */
final readonly class RuleDates implements DueWork
{
    private const LATE_DAYS = 2;

    private const AT_ONCE = 200;

    public function __construct(private Events $events)
    {
    }

    public function task(): Task
    {
        return Task::Dates;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        foreach ($this->waiting($now) as $ignored) {
            return $now;
        }

        return null;
    }

    public function work(CarbonImmutable $now): int
    {
        $told = 0;
        foreach ($this->waiting($now) as [$row, $trigger, $day]) {
            $person = Person::query()->with('business')->whereKey((string) $row->id)->firstOrFail();
            $this->events->take(new NewEvent(EventType::DateCame, $person->business, $now, person: $person, owner: $person->owner_try,
                data: ['date' => $trigger->key(), 'on' => $day], date: $trigger->key()));
            if (++$told >= self::AT_ONCE) {
                break;
            }
        }

        return $told;
    }

    /** @return iterable<array{stdClass, DateComes, string}> people whose day has come and who were not told; what it is, and which day */
    private function waiting(CarbonImmutable $now): iterable
    {
        foreach (WaitedFor::since(DateComes::beginning()) as $key => $since) {
            $trigger = DateComes::ofKey($key);
            for ($n = -self::LATE_DAYS; $trigger !== null && $n <= 1; $n++) {
                $day = $now->utc()->addDays($n)->format('Y-m-d');
                foreach ($this->untold($trigger, $day)->get() as $row) {
                    if (DateComes::hasCome($day, new DateTimeZone((string) $row->zone), CarbonImmutable::parse($since, 'UTC'), $now)) {
                        yield [$row, $trigger, $day];
                    }
                }
            }
        }
    }

    private function untold(DateComes $trigger, string $day): Builder
    {
        $days = $trigger->daysComingOn($day);

        return DB::table('person_values')->join('people', 'people.id', '=', 'person_values.person_id')
            ->join('businesses', 'businesses.id', '=', 'people.business_id')->whereNull('people.erased_at')
            ->where('person_values.name', $trigger->field)
            ->when($trigger->yearly, fn (Builder $q) => $q->whereIn(DB::raw('substr(day, 6)'), $days),
                fn (Builder $q) => $q->whereIn('day', $days))
            ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('events')->whereColumn('events.person_id', 'people.id')
                ->where('type', EventType::DateCame->value)->where('events.data->date', $trigger->key())->where('events.data->on', $day))
            ->orderBy('people.id')->distinct()->select(['people.id', DB::raw('coalesce(people.timezone, businesses.timezone) as zone')]);
    }
}
