<?php

declare(strict_types=1);

namespace App\Results;

use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Results\WayShare;
use Lantern\Core\Webinars\RegistrationState;
use stdClass;

/**
 * How many of those who were on a page went each of its ways. Browsers are counted, each once and the owner's own never; of a webinar
 * registrations, once their session is over.
 */
final class WayNumbers
{
    /** Outcomes that are noted on the page where they happen. */
    private const ON_PAGE = [EventType::Joined, EventType::Confirmed, EventType::Bought, EventType::Declined];

    /**
     * @return array{visitors: array<string, int>, ways: array<string, array<string, array{taken: int, of: int}>>} who was on each page, and
     *     by page and outcome who went each way that leads somewhere
     */
    public static function of(Plan $plan, DateTimeImmutable $since): array
    {
        $funnel = $plan->id;
        $events = DB::table('events')->where('funnel_id', $funnel)->where('at', '>=', Instant::sql($since))->where('owner', false)
            ->whereNotNull('page_id')->whereIn('type', [EventType::Viewed, ...self::ON_PAGE])->groupBy('page_id', 'type')
            ->selectRaw('page_id, type, count(distinct visitor) as n')->get();
        $count = fn (string $page, EventType $type): int => (int) ($events
            ->first(fn (stdClass $e): bool => $e->page_id === $page && $e->type === $type->value)->n ?? 0);
        $sessions = self::sessions($funnel, $since);
        $result = ['visitors' => [], 'ways' => []];
        foreach ($plan->pages as $page) {
            $result['visitors'][$page->id] = $count($page->id, EventType::Viewed);
        }
        foreach ($plan->ways as $way) {
            $went = match ($way->outcome) {
                Outcome::Chose, Outcome::TimeRanOut => self::both($way, $since),
                default => $count($way->page, EventType::from($way->outcome->value)),
            };
            $result['ways'][$way->page][$way->outcome->value] = WayShare::of($way->outcome,
                $plan->page($way->page)?->role === PageRole::Room, $result['visitors'][$way->page] ?? 0, $went, $sessions['over'],
                $sessions['came'], $sessions['attended'])->toArray();
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

    /** Browsers that were on the page and then on that to which the way leads; none where it leads outside. */
    private static function both(Way $way, DateTimeImmutable $since): int
    {
        return (int) DB::table('events', 'a')->where('a.page_id', $way->page)->where('a.type', EventType::Viewed)->where('a.owner', false)
            ->where('a.at', '>=', Instant::sql($since))
            ->whereExists(fn (Builder $q) => $q->selectRaw('1')->from('events', 'b')->where('b.page_id', $way->toPage)
                ->where('b.type', EventType::Viewed)->whereColumn('b.visitor', 'a.visitor')->whereColumn('b.at', '>', 'a.at'))
            ->distinct()->count('a.visitor');
    }
}
