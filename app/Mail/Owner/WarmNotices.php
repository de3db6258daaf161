<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;
use App\Models\Person;
use App\Support\DueWork;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Events\EventType;

/** Tells an owner who wants it that somebody has become warm: each time once, since they have wished for it. */
final readonly class WarmNotices implements DueWork
{
    private const AT_ONCE = 100;

    public function __construct(private Planner $planner)
    {
    }

    public function task(): Task
    {
        return Task::WarmNotices;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return self::waiting()->exists() ? $now : null;
    }

    public function work(CarbonImmutable $now): int
    {
        return DB::transaction(function (): int {
            $events = self::waiting()->orderBy('events.id')->limit(self::AT_ONCE)
                ->get(['events.id', 'events.business_id', 'events.person_id']);
            foreach ($events as $event) {
                $person = Person::query()->whereNull('erased_at')->with('business')->where('id', $event->person_id)->first();
                if ($person !== null) {
                    $this->planner->planWarmNotice($person, (int) $event->id);
                }
                Business::query()->where('id', $event->business_id)->update(['warmth_told' => $event->id]);
            }

            return count($events);
        });
    }

    private static function waiting(): Builder
    {
        return DB::table('events')->join('businesses', 'businesses.id', '=', 'events.business_id')->where('warmth_notices', true)
            ->where('events.type', EventType::BecameWarm->value)->whereColumn('events.id', '>', 'warmth_told');
    }
}
