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

    private string $from;

    private string $to;

    /** @param  DateTimeImmutable  $begins  of the first day of the forecast, in the owner's zone; of what comes after it nothing is known */
    public function __construct(private Funnel $funnel, private Plan $plan, private DateTimeImmutable $begins)
    {
        $this->period = Period::between($begins->modify('-'.self::WEEKS.' weeks')->format('Y-m-d'),
            $begins->modify('-1 day')->format('Y-m-d'));
        $zone = $funnel->business->zone();
        $this->from = Instant::sql($this->period->begins($zone));
        $this->to = Instant::sql($this->period->ends($zone));
    }

    /** New visitors: those whose browser nobody knew. */
    public function visits(): Arrivals
    {
        $days = CountReader::byDay([$this->funnel->id], $this->period, 'known:new')[$this->funnel->id] ?? [];

        return $this->arrivals(fn (string $day): int => ($days[$day] ?? new CountSums)->of(Measure::Visitors));
    }

    /** @return array<string, Arrivals> people who came by getting a tag elsewhere that this funnel waits for, by the tag */
    public function tagged(): array
    {
        $arrivals = [];
        $zone = $this->funnel->business->zone();
        foreach ($this->tags() as $tag) {
            $days = [];
            foreach (DB::table('person_tag')->join('tags', 'tags.id', '=', 'person_tag.tag_id')->join('people', 'people.id', '=',
                'person_tag.person_id')->where('tags.business_id', $this->funnel->business_id)->where('name_key', mb_strtolower($tag))
                ->where('owner_try', false)->where(fn ($q) => $q->whereNull('funnel_id')->orWhere('funnel_id', '!=', $this->funnel->id))
                ->where('tagged_at', '>=', $this->from)->where('tagged_at', '<', $this->to)->pluck('tagged_at') as $at) {
                $day = CarbonImmutable::parse((string) $at, 'UTC')->setTimezone($zone)->format('Y-m-d');
                $days[$day] = ($days[$day] ?? 0) + 1;
            }
            $arrivals[$tag] = $this->arrivals(fn (string $day): int => $days[$day] ?? 0);
        }

        return array_filter($arrivals, fn (Arrivals $a): bool => $a->total() > 0);
    }

    /** @return list<string> that start a sequence of the funnel, and that none of its own forms gives */
    private function tags(): array
    {
        $tags = [];
        foreach ($this->plan->sequences as $sequence) {
            foreach (array_filter($sequence->starts->list, fn (Trigger $t): bool => $t instanceof TagAdded) as $trigger) {
                $tags[mb_strtolower($trigger->tag)] = $trigger->tag;
            }
        }
        $own = array_map(mb_strtolower(...), array_merge([], ...array_map(fn ($f): array => $f->tags, $this->plan->forms)));

        return array_values(array_diff_key($tags, array_flip($own)));
    }

    /** @param  callable(string): int  $on  how many on a day */
    private function arrivals(callable $on): Arrivals
    {
        $days = [];
        for ($ago = self::WEEKS * 7; $ago >= 1; $ago--) {
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
        return $page->role->isExtraOffer() ? StepKind::Pay : $kind ?? ($page->document->blocksOf(BlockKind::Form) === [] ? StepKind::GoOn : StepKind::Join);
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
