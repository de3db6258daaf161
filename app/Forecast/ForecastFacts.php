<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Models\Funnel;
use App\Results\CountReader;
use App\Results\CountSums;
use App\Results\LeakFinder;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Forecast\Arrivals;
use Lantern\Core\Forecast\Belief;
use Lantern\Core\Forecast\Rates;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\StepKind;
use Lantern\Core\Results\Usual;
use Lantern\Core\Webinars\RegistrationState;

/** What a forecast stands on: who came on which day, and the owner's rates, both of the eight weeks before a day. */
final readonly class ForecastFacts
{
    public const WEEKS = 8;

    private Period $period;

    private int $weeks;

    private string $from;

    private string $to;

    /**
     * @param  DateTimeImmutable  $begins  of the first day of the forecast, in the owner's zone; of what comes after it nothing
     *                                     is known
     */
    public function __construct(private Funnel $funnel, private Plan $plan, private DateTimeImmutable $begins)
    {
        // Weeks before there was anything to come to say nothing of those to come.
        $first = CarbonImmutable::parse((string) DB::table('versions')->where('funnel_id', $funnel->id)->min('published_at'), 'UTC')
            ->setTimezone($funnel->business->zone())->startOfDay();
        $this->weeks = max(1, min(self::WEEKS, intdiv((int) $first->diffInDays($begins), 7)));
        $this->period = Period::between($begins->modify("-{$this->weeks} weeks")->format('Y-m-d'),
            $begins->modify('-1 day')->format('Y-m-d'));
        $zone = $funnel->business->zone();
        $this->from = Instant::sql($this->period->begins($zone));
        $this->to = Instant::sql($this->period->ends($zone));
    }

    /**
     * Visitors who came by themselves: all but those whom the funnel's own emails led there. Who came on several days is one visitor, as
     * the
     * rates count them: so each day has its share of those of all days.
     */
    public function visits(): Arrivals
    {
        $days = array_map(fn (CountSums $s): int => $s->of(Measure::Visitors), CountReader::byDay([$this->funnel->id],
            $this->period)[$this->funnel->id] ?? []);
        $all = CountReader::whole(CountReader::byPage([$this->funnel->id], $this->period)[$this->funnel->id] ?? [])->of(Measure::Visitors);
        $led = [];
        $zone = $this->funnel->business->zone();
        foreach (DB::table('messages')->where('funnel_id', $this->funnel->id)->where('kind', 'sequence')
            ->where('clicked_at', '>=', $this->from)->where('clicked_at', '<', $this->to)->pluck('clicked_at') as $at) {
            $day = CarbonImmutable::parse((string) $at, 'UTC')->setTimezone($zone)->format('Y-m-d');
            $led[$day] = ($led[$day] ?? 0) + 1;
        }
        $share = array_sum($days) === 0 ? 0 : min(1, $all / array_sum($days));
        $left = 0.0;

        return $this->arrivals(function (string $day) use ($days, $led, $share, &$left): int {
            // What is lost by rounding down is the next day's.
            $exact = max(0, ($days[$day] ?? 0) - ($led[$day] ?? 0)) * $share + $left;
            $left = $exact - floor($exact);

            return (int) floor($exact);
        });
    }

    /** @return array<string, Arrivals> people who came by a tag they got elsewhere, and so entered a sequence, by the tag */
    public function tagged(): array
    {
        $arrivals = [];
        $zone = $this->funnel->business->zone();
        foreach ($this->plan->sequences as $sequence) {
            $tags = array_values(array_filter($sequence->starts->list, fn (Trigger $t): bool => $t instanceof TagAdded));
            // One that a form starts as well has its people from there.
            if ($tags === [] || count($tags) < count($sequence->starts->list)) {
                continue;
            }
            $days = [];
            foreach (DB::table('enrolments')->join('people', 'people.id', '=', 'enrolments.person_id')->where('owner_try', false)
                ->where('sequence_id', $sequence->id)->where('started_at', '>=', $this->from)->where('started_at', '<', $this->to)
                ->pluck('started_at') as $at) {
                $day = CarbonImmutable::parse((string) $at, 'UTC')->setTimezone($zone)->format('Y-m-d');
                $days[$day] = ($days[$day] ?? 0) + 1;
            }
            $arrivals[$tags[0]->tag] ??= $this->arrivals(fn (string $day): int => $days[$day] ?? 0);
        }

        return array_filter($arrivals, fn (Arrivals $a): bool => $a->total() > 0);
    }

    /** @param  callable(string): int  $on  how many on a day */
    private function arrivals(callable $on): Arrivals
    {
        $days = [];
        for ($ago = $this->weeks * 7; $ago >= 1; $ago--) {
            $days[] = $on($this->begins->modify("-{$ago} days")->format('Y-m-d'));
        }

        return new Arrivals($days);
    }

    public function rates(): Rates
    {
        $counts = CountReader::byPage([$this->funnel->id], $this->period)[$this->funnel->id] ?? [];
        $whole = CountReader::whole($counts);
        $known = [];
        foreach ($this->plan->pages as $page) {
            $kind = self::stepOf($page);
            $sums = $counts[$page->id] ?? new CountSums;
            $known[Rates::page($page->id)] = new Belief(LeakFinder::did($kind, $sums), $sums->of(Measure::Visitors),
                Usual::of($kind)?->middle() ?? Rates::usual('page'));
        }
        $sent = 0;
        foreach (DB::table('messages')->where('funnel_id', $this->funnel->id)->where('kind', 'sequence')
            ->where('sent_at', '>=', $this->from)->where('sent_at', '<', $this->to)->groupBy('email_id')
            ->selectRaw('email_id, count(*) as n, count(clicked_at) as clicked')->get() as $row) {
            $sent += (int) $row->n;
            $known[Rates::email((string) $row->email_id)] = new Belief((int) $row->clicked, (int) $row->n, Rates::usual('email'));
        }
        $known[Rates::CONFIRM] = new Belief($whole->of(Measure::Confirmed), $whole->of(Measure::Asked), Rates::usual(Rates::CONFIRM));
        $known[Rates::LEAVE] = new Belief($whole->of(Measure::Unsubscribed), $sent, Rates::usual(Rates::LEAVE), 100);
        foreach ($this->plan->webinars as $webinar) {
            $row = DB::table('registrations')->where('webinar_id', $webinar->id)->where('owner', false)
                ->where('state', RegistrationState::Registered->value)->where('settled_at', '>=', $this->from)
                ->where('settled_at', '<', $this->to)->selectRaw('count(*) as n, count(came_at) as came')->first();
            $known[Rates::session($webinar->id)] = new Belief((int) ($row->came ?? 0), (int) ($row->n ?? 0), Rates::usual('session'));
        }

        return new Rates($known);
    }

    private static function stepOf(PagePlan $page): StepKind
    {
        $kind = StepKind::of($page->role, $page->document->blocksOf(BlockKind::Checkout) !== []);

        // An extra offer is paid for on its own page.
        return $page->role->isExtraOffer() ? StepKind::Pay : $kind ?? ($page->document->blocksOf(BlockKind::Form) === [] ? StepKind::GoOn
            : StepKind::Join);
    }

    /**
     * What there was in the days from a day on, to hold a forecast against.
     *
     * @return array{signups: int, sales: int, money: int, emails: int}
     */
    public static function happened(Funnel $funnel, DateTimeImmutable $from, int $days): array
    {
        $zone = $funnel->business->zone();
        $period = Period::between($from->format('Y-m-d'), $from->modify('+'.($days - 1).' days')->format('Y-m-d'));
        $sums = new CountSums;
        foreach (CountReader::byDay([$funnel->id], $period)[$funnel->id] ?? [] as $day) {
            $sums->plus($day);
        }

        return ['signups' => $sums->of(Measure::Signups), 'sales' => $sums->of(Measure::Orders),
            'money' => $sums->money(Measure::Paid)[$funnel->sellsIn()] ?? 0,
            'emails' => DB::table('messages')->where('funnel_id', $funnel->id)->where('kind', 'sequence')
                ->where('sent_at', '>=', Instant::sql($period->begins($zone)))->where('sent_at', '<', Instant::sql($period->ends($zone)))
                ->count()];
    }
}
