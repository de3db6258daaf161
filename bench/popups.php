<?php

declare(strict_types=1);

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Models\Site;
use App\Publishing\Publishing;
use App\Support\Ids;
use Bench\Scratch;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupCheck;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\Situation;
use Lantern\Core\Support\Shape;
use Symfony\Component\Process\Process;
use Tests\Browser\Chrome;

/*
 * Pop-ups: what they add to a page before and after they show, what the decision costs, what a page of another site feels of the
 * script, and what Lighthouse says of a page with one.
 *
 *   php bench/popups.php
 */

require __DIR__.'/Scratch.php';

$scratch = new Scratch;
$owner = $scratch->owner();
$funnel = $scratch->starters($owner)['long-opt-in'];
config(['queue.default' => 'null']);
app(Publishing::class)->publish($funnel, null);
$address = $scratch->site.'/'.$funnel->refresh()->address;

/** What a browser sees of a page: bytes by kind, how much it shifted, how long its tasks blocked; with what is done in between. */
$visit = function (string $url, ?callable $then = null): array {
    $browser = Chrome::open(1280, 800);
    $tools = new ChromeDevToolsDriver($browser);
    $tools->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => 'window.__shift = 0; window.__block = 0;
        new PerformanceObserver(l => l.getEntries().forEach(e => __shift += e.value)).observe({type: "layout-shift", buffered: true});
        new PerformanceObserver(l => l.getEntries().forEach(e => __block += Math.max(0, e.duration - 50)))
            .observe({type: "longtask", buffered: true});']);
    $browser->get($url);
    $settled = fn () => $browser->wait(15, 100)->until(fn ($b): bool => (bool) $b->executeScript('const n = performance.getEntriesByType('
        .'"resource").length; const same = window.__n === n && document.readyState === "complete"; window.__n = n; '
        .'window.__same = same ? (window.__same ?? 0) + 1 : 0; return window.__same > 12'));
    $settled();
    $first = null;
    if ($then !== null) {
        $first = $browser->executeScript('return performance.getEntriesByType("resource").reduce((n, e) => n + e.transferSize, 0)');
        $then($browser, $tools);
        $browser->executeScript('window.__same = 0');
        $settled();
    }
    $seen = $browser->executeScript('const all = [...performance.getEntriesByType("navigation"), ...performance.getEntriesByType('
        .'"resource")]; const load = performance.getEntriesByType("navigation")[0].loadEventEnd;
        return {bytes: all.reduce((n, e) => n + e.transferSize, 0), first: all.filter(e => e.startTime < load
            && e.initiatorType !== "img").reduce((n, e) => n + '
        .'e.transferSize, 0), shift: __shift, block: __block, '
        .'shown: [...document.querySelectorAll("div")].filter(e => e.shadowRoot).length}');
    $browser->quit();

    return $seen;
};
$say = fn (string $what, string $figures) => fprintf(STDOUT, "%-66s %s\n", $what, $figures);

$without = $visit($address);
$popup = $funnel->parts()->where('kind', Popup::kind())->firstOrFail();
$popup->change(['on' => true])->save();
app(Publishing::class)->publish($funnel->refresh(), null);
$leave = function ($browser, ChromeDevToolsDriver $tools): void {
    $browser->wait(10, 50)->until(fn ($b): bool => (bool) $b->executeScript('return performance.getEntriesByType("resource").some('
        .'e => e.name.endsWith("/w/ask") && e.responseEnd > 0)'));
    foreach ([300, 100, -2] as $y) {
        $tools->execute('Input.dispatchMouseEvent', ['type' => 'mouseMoved', 'x' => 500, 'y' => $y]);
    }
    $browser->wait(10, 50)->until(fn ($b): bool => (bool) $b->executeScript('return [...document.body.children].some(e => e.shadowRoot)'));
};
$with = $visit($address, $leave);
$say('bytes until the page has loaded but for pictures, without and with',
    number_format($without['first']).' and '.number_format($with['first']));
$say('bytes in all, without a pop-up, and with one that was shown', number_format($without['bytes']).' and '
    .number_format($with['bytes']));
$say('shift of the layout, with the pop-up shown', sprintf('%.4f', $with['shift']));
$say('milliseconds in which tasks blocked, without and with', sprintf('%.0f and %.0f', $without['block'], $with['block']));
$built = (array) json_decode((string) file_get_contents(public_path('build/popup-manifest.json')), true);
$script = (string) file_get_contents(public_path('build/'.$built['resources/site/popup.ts']['file']));
$say('the script of pop-ups, packed', number_format(strlen((string) gzencode($script, 6))).' bytes');

// The decision, in the core alone, for somebody with forty facts, to reading the same pop-up from its written form.
$plan = DraftPlan::read($funnel->refresh());
$one = $plan->popups[0];
$now = new DateTimeImmutable('2027-03-10 11:00', new DateTimeZone('UTC'));
$facts = array_map(fn (int $i): PopupFact => new PopupFact($i % 3 === 0 ? $one->id : "other-{$i}", PopupFactType::Shown,
    $now->modify('-'.(100 + $i).' days'), "v{$i}"), range(1, 40));
$situation = new Situation($now, new DateTimeZone('Europe/London'), $plan->entry()?->id, view: 'v', since: $now, facts: $facts);
$times = function (int $count, callable $does): float {
    $start = hrtime(true);
    for ($i = 0; $i < $count; $i++) {
        $does();
    }

    return $count / ((hrtime(true) - $start) / 1e9);
};
$times(2000, fn () => PopupCheck::of($one, $situation));
$say('decisions a second, of one core', number_format($times(50_000, fn () => PopupCheck::of($one, $situation))));

// Asking, to an empty route.
$timed = function (callable $ask): float {
    $took = [];
    for ($i = 0; $i < 60; $i++) {
        $start = hrtime(true);
        $ask($i);
        $took[] = hrtime(true) - $start;
    }
    sort($took);

    return $took[30];
};
$post = function (string $path, array $fields) use ($scratch): string {
    return (string) file_get_contents($scratch->site.$path, false, stream_context_create(['http' => ['method' => 'POST',
        'header' => "Content-Type: application/x-www-form-urlencoded\r\nUser-Agent: Mozilla/5.0 Chrome/140.0\r\n",
        'content' => http_build_query($fields), 'ignore_errors' => true]]));
};
$empty = $timed(fn () => file_get_contents($scratch->site.'/m/now'));
$ask = fn (int $i): string => $post('/w/ask', ['funnel' => $funnel->id, 'page' => $plan->entry()?->id, 'visitor' => md5("v{$i}")]);
$say('a page asks what may be shown, to an empty route', sprintf('%.2f times', $timed($ask) / $empty));
$ticket = json_decode($ask(1000), true)['ticket'];
$say('a trigger came: is it shown, to an empty route', sprintf('%.2f times', $timed(fn () => $post('/w/show', ['ticket' => $ticket,
    'popup' => $one->id, 'trigger' => 'leaving'])) / $empty));

// A page of another site with and without the line, a form placed after its sixth paragraph.
$port = Chrome::freePort();
$site = Site::query()->create(['business_id' => $owner->business_id, 'name' => 'Notes', 'origin' => "http://127.0.0.1:{$port}"]);
$written = PopupDesigns::fresh(Ids::next(), 'Placed', PopupDesigns::get('popup-placed'), Ids::next(...), $plan->firstParts())->toArray();
$written['document']['sections'][0]['blocks'][1]['html'] = 'Twelve minutes a day, free.';
DraftRows::add($funnel->refresh(),
    Popup::fromShape(Shape::of(['on' => true, 'targeting' => ['pages' => 'none', 'sites' => [['site' => $site->id,
        'patterns' => []]]], 'spot' => ['how' => 'after-paragraph', 'number' => 6]] + $written)));
app(Publishing::class)->publish($funnel->refresh(), null);
$router = (string) tempnam(sys_get_temp_dir(), 'lantern');
$article = '<!doctype html><meta charset="utf-8"><title>A note</title><article><h1>A note</h1>'
    .str_repeat('<p>'.str_repeat('Words that somebody reads. ', 30).'</p>', 14).'</article>';
file_put_contents($router, '<?php echo '.var_export($article, true).'; if (($_GET["line"] ?? "") !== "") { echo \'<script async src="'
    .$scratch->site."/w/{$site->id}.js\"></script>'; }");
$server = new Process([PHP_BINARY, '-S', "127.0.0.1:{$port}", $router]);
$server->start();
Chrome::waitForPort($port, $server);
$bare = $visit("http://127.0.0.1:{$port}/");
$placed = $visit("http://127.0.0.1:{$port}/?line=1");
$server->stop(1);
$say('a page of another site: shift, without and with a placed form', sprintf('%.4f and %.4f (%d placed)', $bare['shift'],
    $placed['shift'], $placed['shown']));
$say('… milliseconds in which tasks blocked', sprintf('%.0f and %.0f', $bare['block'], $placed['block']));

$run = new Process([dirname(__DIR__).'/node_modules/.bin/lighthouse', $address, '--quiet', '--output=json',
    '--only-categories=performance,accessibility,best-practices', '--chrome-flags=--headless=new --no-sandbox --disable-gpu --disable-quic '
        .'--no-first-run --disable-background-networking --disable-component-update --disable-sync --disable-dev-shm-usage'],
    dirname(__DIR__), ['CHROME_PATH' => '/usr/bin/chromium'], timeout: 180);
$run->mustRun();
$report = json_decode($run->getOutput(), true, flags: JSON_THROW_ON_ERROR);
$say('Lighthouse of the page with a pop-up', implode(', ', array_map(fn (array $c): string => $c['title'].' '.round($c['score'] * 100),
    $report['categories'])));
