<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Models\Business;
use App\Models\Funnel;
use App\Orders\SalesNumbers;
use App\Results\BackwardPlans;
use App\Results\FunnelNumbers;
use App\Webinars\Attendance;
use Carbon\CarbonImmutable;
use Lantern\Core\Plan\Success;
use Lantern\Core\Results\Period;

/** What each funnel brought in the last weeks, in its own currency of success; in as many queries for many as for one. */
final readonly class HomeNumbers
{
    private const DAYS = 28;

    public function __construct(private FunnelNumbers $numbers)
    {
    }

    /**
     * @param  list<Funnel>  $funnels
     * @return array<string, array<string, mixed>> by id: `visitors`, `lastActivity`, and `success` with its `kind`, `count`, `trend` by
     *     day, and beside it a `rate` (of visitors, or of those whose session is over) or the `revenue` in words with its smallest units
     */
    public function lastDays(Business $business, array $funnels, CarbonImmutable $now, int $count = self::DAYS): array
    {
        return $this->of($business, $funnels, Period::last($count, $now, $business->zone()));
    }

    /**
     * The same of any period.
     *
     * @param  list<Funnel>  $funnels
     * @return array<string, array<string, mixed>>
     */
    public function of(Business $business, array $funnels, Period $period): array
    {
        $ids = [];
        foreach ($funnels as $funnel) {
            $ids[$funnel->success()->value][] = $funnel->id;
        }
        $found = $this->numbers->ofSignups($ids[Success::Signups->value] ?? [], $period)
            + Attendance::byFunnel($ids[Success::Registrations->value] ?? [], $period, $business->zone())
            + (new SalesNumbers)->byFunnel($ids[Success::Sales->value] ?? [], $period, $business);
        $all = array_map(fn (Funnel $f): string => $f->id, $funnels);
        $visits = $this->numbers->visits($all, $period);
        $goals = BackwardPlans::progress($funnels, CarbonImmutable::now());
        $result = [];
        foreach ($funnels as $funnel) {
            $result[$funnel->id] = $visits[$funnel->id] + ['planned' => $goals[$funnel->id] ?? null]
                + ['success' => ['kind' => $funnel->success()->value] + $found[$funnel->id]];
        }

        return $result;
    }
}
