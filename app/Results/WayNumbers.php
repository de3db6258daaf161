<?php

declare(strict_types=1);

namespace App\Results;

use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\WayShare;
use Lantern\Core\Webinars\RegistrationState;

/**
 * How many of those who were on a page went each of its ways. Browsers are counted, each once and the owner's own never; of a webinar
 * registrations, once their session is over.
 */
final class WayNumbers
{
    /**
     * @param  DateTimeImmutable  $since  when the first day of the period begins
     * @return array{visitors: array<string, int>, ways: array<string, array<string, array{taken: int, of: int}>>} who was on each page, and
     *     by page and outcome who went each way that leads somewhere
     */
    public static function of(Plan $plan, Period $period, DateTimeImmutable $since): array
    {
        $came = CountReader::byPage([$plan->id], $period)[$plan->id] ?? [];
        $went = CountReader::byAxis($plan->id, $period, 'to');
        $sessions = self::sessions($plan->id, $since);
        $result = ['visitors' => [], 'ways' => []];
        foreach ($plan->pages as $page) {
            $result['visitors'][$page->id] = ($came[$page->id] ?? new CountSums)->of(Measure::Visitors);
        }
        foreach ($plan->ways as $way) {
            // What is chosen on the page leads to another; all else is noted on the page itself.
            $to = in_array($way->outcome, [Outcome::Chose, Outcome::TimeRanOut], true) ? (string) $way->toPage : $way->outcome->value;
            $result['ways'][$way->page][$way->outcome->value] = WayShare::of($way->outcome,
                $plan->page($way->page)?->role === PageRole::Room, $result['visitors'][$way->page] ?? 0,
                ($went[$to][$way->page] ?? new CountSums)->of(Measure::WentOn), $sessions['over'], $sessions['came'],
                $sessions['attended'])->toArray();
        }

        return $result;
    }

    /** @return array{over: int, came: int, attended: int} registrations whose session is over, and of them who came and stayed */
    private static function sessions(string $funnel, DateTimeImmutable $since): array
    {
        $row = DB::table('registrations')->where('funnel_id', $funnel)->where('owner', false)->where('state', RegistrationState::Registered)
            ->where('settled_at', '>=', Instant::sql($since))->selectRaw('count(*) as n, count(came_at) as came, '
                .'count(attended_at) as attended')->first();

        return ['over' => (int) ($row->n ?? 0), 'came' => (int) ($row->came ?? 0), 'attended' => (int) ($row->attended ?? 0)];
    }
}
