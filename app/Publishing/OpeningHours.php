<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Funnel;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Plan\FunnelState;

/**
 * Funnels whose moment to close has come are closed, each once, and it is kept when. Visitors do not wait for this: what they
 * get is decided by the moment itself.
 */
final class OpeningHours implements DueWork
{
    public function task(): Task
    {
        return Task::Opening;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::carbon(DB::table('funnels')->where('state', FunnelState::Live->value)->min('closes_at'));
    }

    public function work(CarbonImmutable $now): int
    {
        return DB::table('funnels')->where('state', FunnelState::Live->value)->whereNotNull('closes_at')
            ->where('closes_at', '<=', Instant::sql($now))
            ->update(['state' => FunnelState::Closed->value, 'closed_at' => DB::raw('closes_at'), 'updated_at' => Instant::sql($now)]);
    }

    /** What a version says of when its funnel is open. */
    public static function follow(Funnel $funnel): void
    {
        $times = $funnel->liveVersion?->times();
        $funnel->forceFill(['opens_at' => $times?->opens?->at(), 'closes_at' => $times?->closes?->at(), 'closed_at' => null])->save();
    }
}
