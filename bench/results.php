<?php

declare(strict_types=1);

use App\Experiments\ExperimentResults;
use App\Experiments\Exposures;
use App\Http\Studio\Funnels\HomeNumbers;
use App\Http\Studio\Results\AllFunnels;
use App\Models\Experiment;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Results\Costs;
use App\Results\CountReader;
use App\Results\Counts;
use App\Results\FunnelCohorts;
use App\Results\FunnelResults;
use App\Results\LeakFinder;
use App\Support\Ids;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;

/*
 * Results over very many facts: each screen beside the plain SQL that would answer its main question from the facts, the rebuilding of
 * all counts, and how fast visitors are given their variant.
 *
 *   php bench/results.php [FACTS] [PEOPLE]
 *
 * Ratios are to a look-up of a hundred events by their index, done in the same run.
 */

require __DIR__.'/Scratch.php';

[$facts, $people] = [(int) ($argv[1] ?? 300_000), (int) ($argv[2] ?? 10_000)];
$scratch = new Scratch;
$owner = $scratch->owner();
$funnels = $scratch->starters($owner);
foreach (['sell', 'give-away'] as $which) {
    app(Publishing::class)->publish($funnels[$which], null);
}
$funnel = $funnels['sell']->refresh()->load('business');
$plan = Version::query()->findOrFail($funnel->live_version_id)->plan();
$now = CarbonImmutable::now();
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
$best = fn (callable $does): float => min(array_map(fn (): float => $seconds($does), range(1, 5)));
DB::connection()->disableQueryLog();
// What is made up here may be lost: nothing waits for the disk.
foreach (['journal_mode = memory', 'synchronous = off', 'cache_size = -600000', 'temp_store = memory'] as $pragma) {
    DB::statement("pragma {$pragma}");
}

// Two years of visitors: most come once, one in five comes back, one in eight joins, one in sixty buys.
mt_srand(3);
$pages = array_map(fn ($p): string => $p->id, $plan->pages);
$sources = ['', '', 'newsletter', 'podcast', 'search.example', 'friends.example', 'leaflet'];
$rows = [];
$written = $visitors = $joined = $committed = 0;
$flush = function () use (&$rows): void {
    foreach (array_chunk($rows, 60) as $chunk) {
        DB::table('events')->insert($chunk);
    }
    $rows = [];
};
$took = $seconds(function () use (&$rows, &$written, &$visitors, &$joined, &$committed, $facts, $people, $pages, $sources, $funnel, $now,
    $flush): void {
    DB::beginTransaction();
    while ($written < $facts) {
        $visitor = md5('v'.$visitors++);
        $source = $sources[mt_rand(0, 6)];
        $device = ['phone', 'phone', 'computer', 'tablet'][mt_rand(0, 3)];
        $at = $now->subSeconds(mt_rand(600, 730 * 86_400));
        $person = null;
        $row = function (string $type, string $page, ?string $from = null, ?string $part = null) use (&$at, &$person,
            $visitor, $source, $device, $funnel): array {
            $at = $at->addSeconds(mt_rand(5, 90));

            return ['business_id' => $funnel->business_id, 'type' => $type, 'funnel_id' => $funnel->id, 'page_id' => $page,
                'version_id' => $funnel->live_version_id, 'visitor' => $visitor, 'person_id' => $person, 'source' => $source ?: null,
                'first_touch' => $source, 'last_touch' => $source, 'device' => $device, 'known' => $person !== null,
                'came_from' => $from, 'took' => $from === null ? null : 40, 'part' => $part, 'at' => $at->format('Y-m-d H:i:s.u')];
        };
        for ($visit = mt_rand(0, 4) === 0 ? 2 : 1; $visit > 0; $visit--) {
            $rows[] = $row('viewed', $pages[0]);
            if (mt_rand(0, 2) === 0) {
                $rows[] = $row('pressed', $pages[0], null, 'block-'.mt_rand(1, 4));
                $rows[] = $row('viewed', $pages[1], $pages[0]);
            }
            $at = $at->addDays(mt_rand(1, 20));
        }
        if ($joined < $people && mt_rand(1, 8) === 1) {
            $person = substr(md5('p'.$joined++), 0, 26);
            $rows[] = $row('joined', $pages[0]);
            if (mt_rand(1, 8) === 1) {
                $rows[] = $row('bought', $pages[1]);
            }
        }
        if (count($rows) >= 600) {
            $written += count($rows);
            $flush();
            if (intdiv($written, 100_000) > $committed) {
                $committed = intdiv($written, 100_000);
                DB::commit();
                DB::beginTransaction();
            }
        }
    }
    $flush();
    DB::commit();
});
$total = DB::table('events')->count();
printf("%s facts of %s browsers and %s people (written in %.0f s)\n", number_format($total), number_format($visitors),
    number_format($joined), $took);
$rebuild = $seconds(fn () => app(Counts::class)->rebuild($funnel->business));
DB::statement('analyze');
$plain = $best(fn () => DB::table('events')->where('funnel_id', $funnel->id)->orderByDesc('at')->limit(100)->get());
printf("all counts made anew: %.1f s, %.0f facts a second; %s rows\n", $rebuild, $total / $rebuild,
    number_format(DB::table('counts')->count()));
$say = fn (string $what, float $took, string $more = '') => printf("%-64s %9.1f times, %7.1f ms%s\n", $what, $took / $plain,
    $took * 1000, $more);

foreach ([28, 365, 730] as $days) {
    $period = Period::last($days, $now, $funnel->business->zone());
    $say("What happened, {$days} days", $best(fn () => (new FunnelResults($funnel, $period))->toArray()));
    $sql = $best(fn () => DB::table('events')->where('page_id', $pages[0])->where('type', 'viewed')->where('owner', false)
        ->where('at', '>=', $period->begins($funnel->business->zone())->format('Y-m-d H:i:s'))->distinct()->count('visitor'));
    $say('  its visitors of one page alone, counted by SQL from the facts', $sql);
    $exact = DB::table('events')->where('page_id', $pages[0])->where('type', 'viewed')
        ->where('at', '>=', $period->begins($funnel->business->zone())->format('Y-m-d H:i:s'))
        ->where('at', '<', $period->ends($funnel->business->zone())->format('Y-m-d H:i:s'))->distinct()->count('visitor');
    $counted = (CountReader::byPage([$funnel->id], $period)[$funnel->id][$pages[0]] ?? null)?->of(Measure::Visitors);
    $exact === $counted || throw new LogicException("{$counted} visitors were counted, and there were {$exact}.");
}
$period = Period::last(28, $now, $funnel->business->zone());
$home = app(HomeNumbers::class);
$say('All funnels, 28 days', $best(fn () => (new AllFunnels($owner->business, $home))->toArray($period)));
$say('Where it leaks, 28 days', $best(fn () => (new LeakFinder($funnel, $plan, $period))->leaks()));
$say('Costs, 28 days', $best(fn () => (new Costs($owner->business, $period))->toArray()));
$say('Cohorts of fourteen weeks', $best(fn () => FunnelCohorts::of($funnel, $now)));

// A split test that a tenth of the browsers have seen.
$test = Experiment::query()->create(['id' => Ids::next(), 'business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
    'part_id' => $pages[0], 'name' => 'Sales page', 'goal' => 'signup', 'expected' => 0.3, 'currency' => 'EUR', 'most_days' => 56,
    'started_at' => $now->subDays(20), 'variants' => ['a' => ['weight' => 1, 'note' => '', 'print' => ''], 'b' => ['weight' => 1,
        'note' => '', 'print' => '']]]);
$seen = intdiv($visitors, 10);
DB::beginTransaction();
foreach (array_chunk(range(1, $seen), 60) as $chunk) {
    DB::table('experiment_people')->insert(array_map(fn (int $i): array => ['experiment_id' => $test->id, 'visitor' => md5("e{$i}"),
        'variant' => $i % 2 === 0 ? 'a' : 'b', 'seen_at' => ($at = $now->subSeconds(mt_rand(0, 20 * 86_400)))->format('Y-m-d H:i:s.v'),
        'day' => $at->format('Y-m-d'),
        'joined_after' => mt_rand(1, 10) < 4 ? 30 : null], $chunk));
}
DB::commit();
$say('A split test of '.number_format($seen).' visitors', $best(fn () => (new ExperimentResults($test, $now))->toArray()));
$each = $seconds(function () use ($test): void {
    for ($i = 0; $i < 5000; $i++) {
        Exposures::letter($test->id, $test->weights(), md5("n{$i}"), null);
    }
});
printf("variants given: %s a second\n", number_format(5000 / $each));
