<?php

declare(strict_types=1);

use App\Drafts\NewFunnel;
use App\Guides\GuideNumbers;
use App\Guides\GuideReader;
use App\Models\DraftPart;
use App\Publishing\Publishing;
use App\Records\GuideFacts;
use App\Support\Ids;
use App\Support\Instant;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Guides\PageReport;
use Lantern\Core\Guides\Sitting;
use Lantern\Core\Plan\Goal;
use Symfony\Component\Process\Process;
use Tests\Browser\Chrome;

/*
 * A guide: its bytes, its shift and Lighthouse; how fast reports are taken, beside an empty route; what is believed of a million of them in
 * the core; and how long the numbers of a guide take that very many read.
 *
 *   php bench/guides.php [READERS]       20,000 unless given
 */

require __DIR__.'/Scratch.php';

$readers = (int) ($argv[1] ?? 20_000);
$scratch = new Scratch;
$owner = $scratch->owner();
config(['queue.default' => 'null']);
DB::disableQueryLog();
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
$funnel = app(NewFunnel::class)->fromStarter($owner->business, Goal::GiveAway, 'Practice plan', 'The Twelve-Minute Practice Plan', null,
    withGuide: true)->refresh();
// What its owner is to fill in is filled in.
foreach (DraftPart::there($funnel->id, GuidePage::kind())->get() as $page) {
    $page->change(['document' => json_decode((string) preg_replace('/\[([A-Z][^\]"{}]*)\]/', '$1',
        (string) json_encode($page->definition['document'], JSON_UNESCAPED_UNICODE)), true)])->save();
}
app(Publishing::class)->publish($funnel, null);
$funnel->refresh();
$plan = $funnel->liveVersion?->plan() ?? throw new LogicException('It is live.');
$guide = $plan->guides[0];
$facts = GuideFacts::of($plan, $guide);
// All of it may be read by anybody here, so that a browser that knows nobody gets the whole of it.
$row = DraftPart::query()->findOrFail($guide->id);
$row->change(['open' => 60])->save();
app(Publishing::class)->publish($funnel->refresh(), null);
$url = "{$scratch->site}/{$funnel->address}/{$guide->address}";

// In the core: a million pieces of a thousand readers' reports.
$pages = $facts->ids();
$took = $seconds(function () use ($pages): void {
    for ($reader = 0; $reader < 1000; $reader++) {
        $sitting = Sitting::begun(0, 0);
        for ($report = 0; $report < 50; $report++) {
            $pieces = [];
            for ($i = 0; $i < 20; $i++) {
                $from = $report * 20 + $i;
                $pieces[] = new PageReport($pages[$i % count($pages)], $from, $from + 1, 50);
            }
            $sitting = $sitting->with($pieces, $pages, 20 * ($report + 1));
        }
    }
});
printf("%-72s %10.1f µs each\n", 'a million pieces of reports, in the core', $took);

// Reports over HTTP, eight at once, beside an empty route.
$all = [];
DB::transaction(function () use (&$all, $readers, $owner, $funnel, $guide, $pages): void {
    $now = CarbonImmutable::now();
    mt_srand(2);
    for ($i = 0; $i < $readers; $i++) {
        $person = Ids::next();
        DB::table('people')->insert(['id' => $person, 'business_id' => $owner->business_id, 'email' => "p{$i}@example.com",
            'email_key' => "p{$i}@example.com", 'joined_at' => Instant::sql($now), 'created_at' => $now, 'updated_at' => $now]);
        $came = mt_rand(1, count($pages));
        DB::table('guide_progress')->insert(['person_id' => $person, 'guide_id' => $guide->id, 'funnel_id' => $funnel->id,
            'opened_at' => Instant::sql($now), 'begun_at' => Instant::sql($now), 'finished_at' => $came === count($pages)
                ? Instant::sql($now) : null,
            'last_at' => Instant::sql($now), 'last_page' => $pages[$came - 1], 'seconds' => 40 * $came, 'stays' => 1,
            'share' => intdiv(100 * $came, count($pages))]);
        foreach (array_slice($pages, 0, $came) as $page) {
            DB::table('guide_pages_seen')->insert(['person_id' => $person, 'guide_id' => $guide->id, 'page_id' => $page, 'seconds' => 40,
                'scrolled' => 100, 'stays' => 1, 'read_at' => Instant::sql($now)]);
        }
        if ($i < 400) {
            $id = Ids::next();
            DB::table('guide_readings')->insert(['id' => $id, 'guide_id' => $guide->id, 'person_id' => $person, 'submission_id' => '',
                'funnel_id' => $funnel->id, 'opened_at' => Instant::sql($now)]);
            $all[] = [$id, GuideReader::seal($id)];
        }
    }
});
$perSecond = function (callable $make, int $times): float {
    $multi = curl_multi_init();
    $begin = microtime(true);
    [$asked, $open] = [0, 0];
    do {
        while ($open < 8 && $asked < $times) {
            curl_multi_add_handle($multi, $make($asked++));
            $open++;
        }
        curl_multi_exec($multi, $running);
        curl_multi_select($multi, 0.05);
        while ($done = curl_multi_info_read($multi)) {
            if (intdiv(curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE), 100) !== 2) {
                throw new RuntimeException('It was answered with '.curl_getinfo($done['handle'],
                    CURLINFO_RESPONSE_CODE).' after '.curl_getinfo($done['handle'], CURLINFO_TOTAL_TIME).' s of '.$asked);
            }
            curl_multi_remove_handle($multi, $done['handle']);
            $open--;
        }
    } while ($open > 0);

    return $times / (microtime(true) - $begin);
};
$ask = function (string $to, array $body) {
    $curl = curl_init($to);
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60,
        CURLOPT_HTTPHEADER => ['User-Agent: Mozilla/5.0']] + ($body === [] ? [] : [CURLOPT_POSTFIELDS => http_build_query($body)]));

    return $curl;
};
$empty = $perSecond(fn () => $ask("{$scratch->site}/m/now", []), 200);
$report = fn (int $from): Closure => fn (int $i) => $ask("{$scratch->site}/m/read", ['reading' => $all[$i][0], 'seal' => $all[$i][1],
    'report' => json_encode(['sitting' => '0000000000000001', 'open' => $from, 'seen' => [[$pages[0], $from, $from + 15, 80]]])]);
// The first says that it is open; by the second they have begun, and all that follows from it is done; then it goes on.
foreach (['that it is open' => 0, 'by which they begin' => 0, 'that goes on' => 15] as $what => $from) {
    usleep(1_000_000);
    $rate = $perSecond($report($from), 350);
    printf("%-72s %10.2f times (%d a second)\n", "a report {$what}, to an empty route, eight at once", $empty / $rate, $rate);
}

$plain = $seconds(fn () => DB::table('guide_pages_seen')->selectRaw('sum(seconds)')->value('sum(seconds)'));
$numbers = $seconds(fn () => GuideNumbers::of($guide->id, $facts));
printf("%-72s %10.1f times (%d ms)\n", number_format($readers).' readers: the numbers of a guide, to adding up their seconds',
    $numbers / $plain, $numbers * 1000);
$list = $seconds(fn () => GuideNumbers::readers($guide->id, $facts, 'all', '')->limit(50)->get());
printf("%-72s %10.1f times (%d ms)\n", 'the first fifty in the list', $list / $plain, $list * 1000);

// In a browser: bytes as they come, shift with fonts that come late.
$browser = Chrome::open(375, 740);
$tools = new ChromeDevToolsDriver($browser);
$tools->execute('Network.enable');
$tools->execute('Network.emulateNetworkConditions', ['offline' => false, 'latency' => 150, 'downloadThroughput' => 50_000,
    'uploadThroughput' => 50_000]);
$browser->get($url);
$browser->wait(30, 100)->until(fn ($b): bool => (bool) $b->executeScript('return document.fonts.status === "loaded" && '
    .'document.readyState === "complete" && performance.getEntriesByType("resource").some(r => r.name.endsWith("/m/view"))'));
$kinds = $browser->executeScript('const sum = {}; for (const r of [...performance.getEntriesByType("navigation"), '
    .'...performance.getEntriesByType("resource")]) { const k = r.initiatorType === "navigation" ? "page with its styles" : '
    .'r.name.endsWith(".woff2") ? "fonts" : r.name.endsWith(".js") ? "script" : "other"; sum[k] = (sum[k] ?? 0) + '
    .'r.transferSize; } return sum');
$shift = $browser->executeScript('return new Promise(r => { let sum = 0; new PerformanceObserver(l => { for (const e of l.getEntries()) '
    .'sum += e.value; }).observe({ type: "layout-shift", buffered: true }); requestAnimationFrame(() => '
    .'requestAnimationFrame(() => r(sum))); })');
$browser->quit();
foreach ($kinds as $kind => $bytes) {
    printf("%-72s %10s bytes\n", $kind, number_format($bytes));
}
printf("%-72s %10s bytes\n", 'in all', number_format(array_sum($kinds)));
printf("%-72s %10.4f\n", 'shift, with fonts that come late', $shift);
$run = new Process([dirname(__DIR__).'/node_modules/.bin/lighthouse', $url, '--quiet', '--output=json',
    '--only-categories=performance,accessibility,best-practices',
    '--chrome-flags=--headless=new --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking '
        .'--disable-component-update --disable-sync --disable-dev-shm-usage'],
    dirname(__DIR__), ['CHROME_PATH' => '/usr/bin/chromium'], timeout: 180);
$run->mustRun();
$lighthouse = json_decode($run->getOutput(), true, flags: JSON_THROW_ON_ERROR);
foreach ($lighthouse['categories'] as $name => $category) {
    printf("%-72s %10d\n", "Lighthouse, {$name}", round(100 * $category['score']));
    foreach ($category['auditRefs'] as $ref) {
        $audit = $lighthouse['audits'][$ref['id']];
        if ($category['score'] < 1 && $ref['weight'] > 0 && ($audit['score'] ?? 1) < 0.9) {
            echo "    {$audit['title']} ".($audit['displayValue'] ?? '')."\n";
        }
    }
}
