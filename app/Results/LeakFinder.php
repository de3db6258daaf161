<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Results\Leak;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Rate;
use Lantern\Core\Results\Step;
use Lantern\Core\Results\StepKind;
use Lantern\Core\Results\Worth;
use Lantern\Core\Webinars\RegistrationState;

/** The steps of a funnel as the core wants them, with what came of those who took each, and what they are held against. */
final class LeakFinder
{
    /** @var array<string, CountSums> by page */
    private array $now;

    /** @var array<string, CountSums> before the period, as far back as a year */
    private array $past;

    private CountSums $whole;

    private string $currency;

    public function __construct(private readonly Funnel $funnel, private readonly Plan $plan, private readonly Period $period)
    {
        $this->now = CountReader::byPage([$funnel->id], $period)[$funnel->id] ?? [];
        $this->past = CountReader::byPage([$funnel->id], $period->yearBefore())[$funnel->id] ?? [];
        $this->whole = CountReader::whole($this->now);
        $this->currency = $funnel->sellsIn();
    }

    /** @return list<Leak> */
    public function leaks(): array
    {
        return Leak::all($this->steps(), $this->period->length());
    }

    /** @return list<Step> */
    public function steps(): array
    {
        $elsewhere = $this->elsewhere();
        $steps = [];
        foreach ($this->plan->pages as $page) {
            $kind = StepKind::of($page->role, $page->document->blocksOf(BlockKind::Checkout) !== []);
            if ($kind === null || ! isset($this->now[$page->id])) {
                continue;
            }
            $sums = $this->now[$page->id];
            $did = self::did($kind, $sums);
            $worth = $this->worth($page->id, $did);
            [$other, $name] = $elsewhere["{$kind->value} {$page->role->value}"] ?? [null, ''];
            $before = $this->past[$page->id] ?? null;
            $steps[] = new Step($kind, $page->id, $page->name, $sums->of(Measure::Visitors), $did,
                $worth->signups, $worth->money,
                $before === null ? null : self::rate(self::did($kind, $before), $before->of(Measure::Visitors)), $other, $name);
        }

        return [...$steps, ...$this->attendance(), ...$this->confirmation(), ...$this->buyingAtOnce()];
    }

    /** How many of those who were on a page did what it is for. */
    public static function did(StepKind $kind, CountSums $sums): int
    {
        $did = match ($kind) {
            // With a confirmation asked for, leaving the address is what is done here.
            StepKind::Join => $sums->of(Measure::Asked) > 0 ? $sums->of(Measure::Asked) : $sums->of(Measure::Signups),
            StepKind::Pay => $sums->of(Measure::Sales),
            default => $sums->of(Measure::WentOn),
        };

        return min($did, $sums->of(Measure::Visitors));
    }

    /** What one who goes on from a page brings, there and at all it leads to. */
    private function worth(string $page, int $did): Worth
    {
        $signups = $money = 0;
        foreach ($this->reachable($page) as $id) {
            $sums = $this->now[$id] ?? new CountSums;
            $signups += $sums->of(Measure::Signups);
            $money += $sums->net()[$this->currency] ?? 0;
        }

        return Worth::ofPage($did, $signups, $money, $this->whole->of(Measure::Signups), $this->whole->of(Measure::Orders), $this->net());
    }

    private function net(): int
    {
        return $this->whole->net()[$this->currency] ?? 0;
    }

    /** @return list<string> ids of a page and of all that its ways lead to */
    private function reachable(string $page): array
    {
        $reached = [];
        $open = [$page];
        while ($open !== []) {
            $id = array_pop($open);
            if (isset($reached[$id])) {
                continue;
            }
            $reached[$id] = true;
            foreach ($this->plan->ways as $way) {
                // Whoever missed it, or whose time ran out, did not do what the page is for.
                if ($way->page === $id && $way->toPage !== null && ! in_array($way->outcome, [Outcome::Missed, Outcome::TimeRanOut],
                    true)) {
                    $open[] = $way->toPage;
                }
            }
            array_push($open, ...($this->plan->page($id)?->document->pages() ?? []));
        }

        return array_map(strval(...), array_keys($reached));
    }

    /** @return list<Step> */
    private function attendance(): array
    {
        if ($this->plan->webinars === []) {
            return [];
        }
        $zone = $this->funnel->business->zone();
        $came = function (Period $period) use ($zone): Rate {
            $row = DB::table('registrations')->where('funnel_id', $this->funnel->id)->where('owner', false)
                ->where('state', RegistrationState::Registered)->where('settled_at', '>=', $period->begins($zone)->format('Y-m-d H:i:s.v'))
                ->where('settled_at', '<', $period->ends($zone)->format('Y-m-d H:i:s.v'))
                ->selectRaw('count(*) as n, count(came_at) as came')->first();

            return Rate::of((int) ($row->came ?? 0), (int) ($row->n ?? 0));
        };
        $now = $came($this->period);

        return [new Step(StepKind::Attend, $this->plan->pageOf(PageRole::Confirmation)->id ?? '', 'The session', $now->trials,
            $now->successes, 0.0, Worth::shared($now->successes, $this->whole->of(Measure::Orders), $this->net())->money,
            $came($this->period->yearBefore()))];
    }

    /** @return list<Step> */
    private function confirmation(): array
    {
        $asked = $this->whole->of(Measure::Asked);
        $confirmed = min($asked, $this->whole->of(Measure::Confirmed));
        $signups = $this->whole->of(Measure::Signups);
        $past = CountReader::whole($this->past);

        return $asked === 0 ? [] : [new Step(StepKind::Confirm, '', 'Confirming the address', $asked, $confirmed, 1.0,
            $signups === 0 ? 0.0 : max(0, $this->net()) / $signups,
            self::rate($past->of(Measure::Confirmed), $past->of(Measure::Asked)))];
    }

    /** @return list<Step> strangers who buy at once, where something is sold to strangers */
    private function buyingAtOnce(): array
    {
        $entry = $this->plan->entry();
        if ($entry === null || $entry->role !== PageRole::Sales) {
            return [];
        }
        $new = CountReader::whole(CountReader::byPage([$this->funnel->id], $this->period, 'known:new')[$this->funnel->id] ?? []);
        $orders = $this->whole->of(Measure::Orders);

        return [new Step(StepKind::BuyAtOnce, $entry->id, 'New visitors', $new->of(Measure::Visitors),
            min($new->of(Measure::Visitors), $new->of(Measure::Orders)), 0.0,
            $orders === 0 ? 0.0 : max(0, $this->net()) / $orders)];
    }

    /** @return array<string, array{Rate, string}> by kind and role: the best of the owner's other funnels, and its name */
    private function elsewhere(): array
    {
        $others = DB::table('funnels')->where('business_id', $this->funnel->business_id)->where('id', '!=', $this->funnel->id)
            ->whereNull('archived_at')->whereNotNull('live_version_id')->limit(50)->pluck('name', 'id')->all();
        $counts = CountReader::byPage(array_map(strval(...), array_keys($others)), $this->period);
        $pages = DB::table('draft_parts')->whereIn('funnel_id', array_keys($counts))->where('kind', 'page')->whereNull('removed')
            ->get(['id', 'funnel_id', 'definition->role as role']);
        $best = [];
        foreach ($pages as $page) {
            $role = PageRole::tryFrom((string) $page->role);
            $kind = $role === null ? null : StepKind::of($role, false);
            $sums = $counts[(string) $page->funnel_id][(string) $page->id] ?? null;
            if ($kind === null || $role === null || $sums === null || $sums->of(Measure::Visitors) < Leak::ENOUGH_ELSEWHERE) {
                continue;
            }
            $rate = self::rate(self::did($kind, $sums), $sums->of(Measure::Visitors));
            $key = "{$kind->value} {$role->value}";
            if (! isset($best[$key]) || $rate->rate > $best[$key][0]->rate) {
                $best[$key] = [$rate, (string) $others[(string) $page->funnel_id]];
            }
        }

        return $best;
    }

    private static function rate(int $did, int $could): Rate
    {
        return Rate::of(min($did, $could), $could);
    }
}
