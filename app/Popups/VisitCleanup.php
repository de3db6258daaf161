<?php

declare(strict_types=1);

namespace App\Popups;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Popups\PopupFactType;

/** What is known of browsers goes when none can hold its id any longer: visits, and what could have been shown to nobody in particular. */
final class VisitCleanup
{
    /** A browser forgets who it is after a year without a visit. */
    private const DAYS = 400;

    /** @return int how many rows were removed */
    public function tidy(CarbonImmutable $now): int
    {
        $before = Instant::sql($now->subDays(self::DAYS));

        return DB::table('popup_visits')->where('last_at', '<', $before)->delete()
            + DB::table('popup_facts')->where('type', PopupFactType::Eligible->value)->whereNull('person_id')->where('at', '<', $before)
                ->delete();
    }
}
