<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Funnel;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Deadlines\Deadline;

/**
 * Notices that deadlines have ended, so that a clock of the machine that is set back afterwards opens none of them again.
 * Nothing waits for it: whether one is over is reckoned with each visit.
 */
final readonly class CloseDeadlines implements DueWork
{
    public function __construct(private TellsOfEnds $ends)
    {
    }

    public function task(): Task
    {
        return Task::Deadlines;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(Instant::carbon(DB::table('deadline_runs')->whereNull('closed_at')->min('ends_at')),
            $this->ends->waits($now) ? $now : $this->ends->next($now));
    }

    /** @return int how many were noticed */
    public function work(CarbonImmutable $now): int
    {
        $noticed = 0;
        $ended = DB::table('deadline_runs')->whereNull('closed_at')->where('ends_at', '<=', Instant::sql($now));
        foreach ((clone $ended)->distinct()->get(['funnel_id', 'deadline_id']) as $row) {
            // In its grace it is not over for those who are paying.
            $live = Funnel::query()->with('liveVersion')->find((string) $row->funnel_id)?->liveVersion;
            $grace = $live?->plan()->deadline((string) $row->deadline_id)->grace ?? Deadline::MOST_GRACE;
            $noticed += (clone $ended)->where('deadline_id', $row->deadline_id)
                ->where('ends_at', '<=', Instant::sql($now->subMinutes($grace)))->update(['closed_at' => Instant::sql($now)]);
        }

        return $noticed + $this->ends->tell($now);
    }
}
