<?php

declare(strict_types=1);

namespace App\Results;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use stdClass;

/** Looked up in the database: for one event as it happens. */
final class EarlierStored implements Earlier
{
    public function views(stdClass $event, ?string $page): iterable
    {
        return self::found(self::before($event)->where('type', EventType::Viewed->value)
            ->when($page !== null, fn (Builder $q) => $q->where('page_id', $page)));
    }

    public function wentOn(stdClass $event, string $from): iterable
    {
        return self::found(self::before($event)->where(fn (Builder $q) => $q->where('came_from', $from)
            ->orWhere(fn (Builder $q) => $q->where('page_id', $from)->whereIn('type', EventTallies::LEADS_ON)))
            ->selectRaw('case when came_from = ? then page_id else type end as way', [$from]));
    }

    public function presses(stdClass $event): iterable
    {
        return $event->visitor === null ? [] : self::before($event)->where('type', EventType::Pressed->value)->distinct()
            ->selectRaw("part, substr(at, 1, 16) || ':00' as at")->get();
    }

    public function isFirstJoin(stdClass $event): bool
    {
        return ! DB::table('events')->where('person_id', $event->person_id)->where('funnel_id', $event->funnel_id)
            ->where('type', EventType::Joined->value)->where('owner', false)->where('id', '<', $event->id)->exists();
    }

    private static function before(stdClass $event): Builder
    {
        return DB::table('events')->where('visitor', $event->visitor)->where('funnel_id', $event->funnel_id)->where('owner', false)
            ->where('id', '<', $event->id);
    }

    /** @return iterable<stdClass> */
    private static function found(Builder $before): iterable
    {
        // By the minute: a day begins on one, in whatever zone, and somebody who looks a thousand times an hour costs no more.
        return $before->distinct()->addSelect(DB::raw("first_touch, last_touch, device, known, substr(at, 1, 16) || ':00' as at"))->get();
    }
}
