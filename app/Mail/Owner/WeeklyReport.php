<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Agenda\WeeklyMoment;

/** The email of each Monday to an owner who wants it: the week that is over, in six lines. */
final readonly class WeeklyReport implements DueWork
{
    /** The hour in the owner's zone from which on it goes out. */
    public const HOUR = 8;

    public function __construct(private Planner $planner)
    {
    }

    public function task(): Task
    {
        return Task::Report;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(...Business::query()->where('weekly_report', true)->get()
            ->map(fn (Business $b): CarbonImmutable => CarbonImmutable::instance(
                WeeklyMoment::next(self::HOUR, $b->weekly_at, $now, $b->zone())))->all());
    }

    public function work(CarbonImmutable $now): int
    {
        $planned = 0;
        foreach (Business::query()->where('weekly_report', true)->get() as $business) {
            $monday = WeeklyMoment::due(self::HOUR, $business->weekly_at, $now, $business->zone());
            // Once a week: whoever turns it plans it.
            if ($monday === null || Business::query()->where('id', $business->id)
                ->where(fn ($q) => $q->whereNull('weekly_at')->orWhere('weekly_at', '<', Instant::sql($monday)))
                ->update(['weekly_at' => Instant::sql($now)]) === 0) {
                continue;
            }
            $this->planner->planReport($business, $monday->setTimezone($business->zone())->format('Y-m-d'),
                (new WeekInLines($business, $now))->lines());
            $planned++;
        }

        return $planned;
    }
}
