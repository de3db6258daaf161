<?php

declare(strict_types=1);

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Router;
use Tests\Browser\Chrome;

/*
 * Measures a published opt-in page: bytes by kind and requests, as a browser takes it; and the server's work for it
 * as a ratio to an empty route of the same application, both measured in turn in this one run.
 *
 *   php bench/public-page.php [ADDRESS OF A PAGE]     with the demo running; http://localhost:8000/practice-plan unless given
 */

require __DIR__.'/../vendor/autoload.php';

$page = $argv[1] ?? 'http://localhost:8000/practice-plan';
$limits = ['everything but pictures' => 60_000, 'script' => 10_000];

$browser = Chrome::open(375, 740);
$browser->get($page);
$browser->wait(15, 100)
    ->until(fn ($b): bool => (bool) $b->executeScript('return document.fonts.status === "loaded" && document.readyState === "complete" '
        .'&& performance.getEntriesByType("resource").some(r => r.name.endsWith("/m/view"))'));
/** @var list<array{name: string, type: string, bytes: int, host: string}> $loads */
$loads = $browser->executeScript('return [...performance.getEntriesByType("navigation"), '
    .'...performance.getEntriesByType("resource")].map(r => ({ name: r.name, type: r.initiatorType, bytes: r.transferSize, host: new '
        .'URL(r.name).host }))');
$sum = 'return new Promise(r => { let sum = 0; new PerformanceObserver(l => { for (const e of l.getEntries()) sum += e.value; })'
    .'.observe({ type: "layout-shift", buffered: true }); requestAnimationFrame(() => requestAnimationFrame(() => r(sum))); })';
$shift = (float) $browser->executeScript($sum);
// On a slow line the page is read in what stands in for its fonts before they come.
$tools = new ChromeDevToolsDriver($browser);
$tools->execute('Network.enable');
$tools->execute('Network.setCacheDisabled', ['cacheDisabled' => true]);
$tools->execute('Network.emulateNetworkConditions', ['offline' => false, 'latency' => 150, 'downloadThroughput' => 50_000,
    'uploadThroughput' => 50_000]);
$late = [];
foreach ([[375, 740], [1280, 800]] as [$width, $height]) {
    $tools->execute('Emulation.setDeviceMetricsOverride', ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1,
        'mobile' => false]);
    $browser->get($page);
    $browser->wait(30, 100)->until(fn ($b): bool => (bool) $b->executeScript('return document.readyState === "complete" && '
        .'[...document.fonts].filter(f => f.status === "loaded").length > 2 && document.fonts.status === "loaded"'));
    $waited = (float) $browser->executeScript('return Math.max(...performance.getEntriesByType("resource")'
        .'.filter(r => r.name.endsWith(".woff2")).map(r => r.responseEnd)) '
        .'- performance.getEntriesByName("first-contentful-paint")[0].startTime');
    $late[] = [$width, $waited / 1000, (float) $browser->executeScript($sum)];
}
$browser->quit();

$kind = fn (array $l): string => match (true) {
    $l['type'] === 'navigation' => 'page with its styles',
    str_ends_with($l['name'], '.woff2') => 'fonts',
    str_ends_with($l['name'], '.js') => 'script',
    str_contains($l['name'], '/media/') => 'pictures of the owner',
    default => 'beacon',
};
$bytes = [];
foreach ($loads as $l) {
    $bytes[$kind($l)] = [($bytes[$kind($l)][0] ?? 0) + 1, ($bytes[$kind($l)][1] ?? 0) + $l['bytes']];
}
echo "kind                      requests      bytes\n";
foreach ($bytes as $name => [$n, $sum]) {
    printf("%-25s %8d %10s\n", $name, $n, number_format($sum));
}
$ours = array_sum(array_map(fn (array $b): int => $b[1], array_diff_key($bytes, ['pictures of the owner' => 0])));
printf("%-25s %8d %10s   limit %s: %s\n", 'everything but pictures', count($loads), number_format($ours),
    number_format($limits['everything but pictures']), $ours <= $limits['everything but pictures'] ? 'kept' : 'BROKEN');
$script = $bytes['script'][1] ?? 0;
printf("%-25s %8s %10s   limit %s: %s\n", 'script alone', '', number_format($script), number_format($limits['script']),
    $script <= $limits['script'] ? 'kept' : 'BROKEN');
printf("other hosts asked: %d      layout shift: %.4f\n",
    count(array_filter($loads, fn (array $l): bool => $l['host'] !== parse_url($page, PHP_URL_HOST).':'.parse_url($page, PHP_URL_PORT))),
    $shift);

foreach ($late as [$width, $waited, $moved]) {
    printf("%d pixels wide, fonts %.1f s after the words: layout shift %.4f\n", $width, $waited, $moved);
}

// The server's work: the whole application is booted for each request, as under php-fpm.
putenv('DB_DATABASE='.__DIR__.'/../storage/app/demo/lantern.sqlite');
putenv('UPLOADS_PATH='.__DIR__.'/../storage/app/demo/uploads');
$handle = function (string $path): float {
    $start = hrtime(true);
    /** @var Application $app */
    $app = require __DIR__.'/../bootstrap/app.php';
    // Before all others, so that the catch-all for funnels does not take it.
    $app->afterResolving('router', fn (Router $router) => $router->get('bench/empty', fn (): string => ''));
    $response = $app->make(Kernel::class)->handle($request = Request::create($path));
    $response->getStatusCode() === 200 || throw new RuntimeException("{$path} answers {$response->getStatusCode()}");
    $took = (hrtime(true) - $start) / 1e6;
    $app->make(Kernel::class)->terminate($request, $response);
    $app->flush();

    return $took;
};
$paths = ['empty route' => '/bench/empty', 'opt-in page' => (string) parse_url($page, PHP_URL_PATH), 'health' => '/up'];
$times = [];
for ($i = 0; $i < 120; $i++) {
    foreach ($paths as $name => $path) {
        $took = $handle($path);
        if ($i >= 20) {
            $times[$name][] = $took;
        }
    }
}
$median = function (array $t): float {
    sort($t);

    return $t[intdiv(count($t), 2)];
};
echo "\nserver time, median of 100, as a ratio to the empty route\n";
foreach ($times as $name => $t) {
    printf("%-25s %6.2f\n", $name, $median($t) / $median($times['empty route']));
}
exit($ours <= $limits['everything but pictures'] && $script <= $limits['script'] ? 0 : 1);
