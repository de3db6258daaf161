<?php

declare(strict_types=1);

namespace App\Warmth;

use App\Models\Business;
use App\Support\DoneAtTheEnd;
use App\Support\OwnerDays;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Days;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\Actions;

/**
 * What people did on which days, as far as it says how warm they are. It is kept with each event, and can be made from the events at
 * any time. What the owner did in their own browser counts nowhere.
 */
final class WarmDays
{
    use DoneAtTheEnd;

    private const AT_ONCE = 300;

    /**
     * Something happened to a person.
     *
     * @param  string|null  $page  on which, by its id
     * @return bool does it say anything new of them?
     */
    public static function note(string $person, EventType $type, ?string $page, DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        $action = self::$later ? null : Actions::of($type, $type === EventType::Viewed ? self::roleOf($page) : '');

        return $action !== null && self::add($person, $action, $at, $zone);
    }

    public static function add(string $person, Action $action, DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        return ! self::$later && DB::table('warm_days')->insertOrIgnore(['person_id' => $person, 'action' => $action->value,
            'day' => Days::of($at, $zone)]) > 0;
    }

    /** What somebody did turns out to be another's, or more of it theirs: all of it is looked at again. */
    public static function collect(string $person, DateTimeZone $zone): void
    {
        if (self::$later) {
            return;
        }
        DB::transaction(function () use ($person, $zone): void {
            DB::table('warm_days')->where('person_id', $person)->delete();
            self::write(self::found($zone, $person, null));
        });
    }

    public function rebuildAll(): void
    {
        Business::query()->get()->each($this->rebuild(...));
    }

    /** Of everybody in a business. */
    public function rebuild(Business $business): void
    {
        DB::transaction(function () use ($business): void {
            DB::table('warm_days')->whereIn('person_id', DB::table('people')->where('business_id', $business->id)->select('id'))->delete();
            self::write(self::found($business->zone(), null, $business->id));
        });
    }

    /** @return iterable<array{person_id: string, action: string, day: string}> some more than once */
    private static function found(DateTimeZone $zone, ?string $person, ?int $business): iterable
    {
        $roles = DB::table('published_pages')->whereIn('role', array_keys(Actions::PAGES))->whereNull('popup')->pluck('role', 'page_id')
            ->all();
        $types = array_map(fn (EventType $t): string => $t->value, Actions::types());
        $events = DB::table('events')->when($person !== null, fn ($q) => $q->where('person_id', $person),
            fn ($q) => $q->where('business_id', $business)->whereNotNull('person_id'))
            ->where('owner', false)->whereIn('type', $types)
            ->where(fn ($q) => $q->where('type', '!=', EventType::Viewed->value)->orWhereIn('page_id', array_keys($roles)))
            ->select('person_id', 'type', 'page_id', 'at')->cursor();
        foreach ($events as $e) {
            $action = Actions::of(EventType::from((string) $e->type), (string) ($roles[(string) $e->page_id] ?? ''));
            if ($action !== null) {
                yield ['person_id' => (string) $e->person_id, 'action' => $action->value, 'day' => OwnerDays::of((string) $e->at, $zone)];
            }
        }
        foreach (DB::table('room_questions')->when($person !== null, fn ($q) => $q->where('person_id', $person),
            fn ($q) => $q->where('business_id', $business))->select('person_id', 'asked_at')->cursor() as $q) {
            yield ['person_id' => (string) $q->person_id, 'action' => Action::Asked->value,
                'day' => OwnerDays::of((string) $q->asked_at, $zone)];
        }
    }

    /** @param  iterable<array{person_id: string, action: string, day: string}>  $rows */
    private static function write(iterable $rows): void
    {
        $waiting = [];
        foreach ($rows as $row) {
            $waiting[implode(' ', $row)] = $row;
            if (count($waiting) === self::AT_ONCE) {
                DB::table('warm_days')->insertOrIgnore(array_values($waiting));
                $waiting = [];
            }
        }
        DB::table('warm_days')->insertOrIgnore(array_values($waiting));
    }

    private static function roleOf(?string $page): string
    {
        return $page === null ? '' : (string) DB::table('published_pages')->where('page_id', $page)->whereNull('popup')->orderByDesc('id')
            ->value('role');
    }
}
