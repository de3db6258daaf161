<?php

declare(strict_types=1);

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Publishing\Publishing;
use Bench\Scratch;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Router;
use Lantern\Core\Page\Look\Looks;

/*
 * Weighs the entry page of every starter in every look as a browser takes it, without the owner's pictures, and says
 * which is heaviest; and the server's work for a published page as a ratio to an empty route, measured in turn.
 *
 *   php bench/starters.php
 */

require __DIR__.'/Scratch.php';

const LIMIT = 60_000;
const SCRIPT = 10_000;

$scratch = new Scratch;
$owner = $scratch->owner();
$funnels = $scratch->starters($owner);
// A reader for whom every deadline runs, so that the pages that one guards are weighed, too.
$reader = $scratch->reader($owner);
$get = function (string $path) use ($scratch, $reader): array {
    $c = curl_init($scratch->site.$path);
    curl_setopt_array($c, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true, CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip'],
        CURLOPT_COOKIE => $reader]);
    $answer = (string) curl_exec($c);
    $head = (int) curl_getinfo($c, CURLINFO_HEADER_SIZE);

    return [strlen($answer), (string) @gzdecode(substr($answer, $head)) ?: substr($answer, $head)];
};
$worst = ['', 0];
// Kept back until all is measured: the application sets headers, which nobody can once a word has been said.
ob_start();
printf("%-14s %-16s %9s %9s %9s %9s\n", 'starter', 'page', 'page', 'fonts', 'script', 'in all');
foreach ($funnels as $goal => $funnel) {
    // One that opens later shows its closed page until then.
    $funnel->forceFill(['times' => []])->save();
    foreach (DraftPart::there($funnel->id, 'page')->get() as $page) {
        $address = $page->definition['address'];
        $heaviest = [0, 0, 0, 0, ''];
        foreach (array_keys(Looks::all()) as $look) {
            $funnel->forceFill(['look' => $look])->save();
            app(Publishing::class)->publish(Funnel::query()->findOrFail($funnel->id), null);
            [$bytes, $html] = $get("/{$funnel->address}".($address === '' ? '' : "/{$address}"));
            str_contains($html, '</main>') || throw new LogicException("{$funnel->address}/{$address} is no page.");
            preg_match_all('~rel="preload" as="font"[^>]* href="([^"]+)"~', $html, $fonts);
            preg_match_all('~<script type="module" src="([^"]+)"~', $html, $scripts);
            $font = array_sum(array_map(fn (string $f): int => $get($f)[0], array_unique($fonts[1])));
            // As nginx would send it: packed.
            $code = array_sum(array_map(fn (string $s): int => strlen((string) gzencode((string) file_get_contents(dirname(__DIR__)
                .'/public'.$s), 6)) + 300, $scripts[1]));
            $all = $bytes + $font + $code;
            $heaviest = $all > $heaviest[3] ? [$bytes, $font, $code, $all, $look] : $heaviest;
        }
        $worst = $heaviest[3] > $worst[1] ? ["{$goal}, {$page->name}, in {$heaviest[4]}", $heaviest[3]] : $worst;
        printf("%-14s %-16s %9s %9s %9s %9s  heaviest in %s\n", $goal, $page->name,
            ...array_map(number_format(...), array_slice($heaviest, 0, 4)), ...[$heaviest[4]]);
    }
}
printf("heaviest: %s: %s of %s: %s\n", $worst[0], number_format($worst[1]), number_format(LIMIT), $worst[1] <= LIMIT ? 'kept' : 'BROKEN');

// The whole application for each request, as a web server without a warm process would do it.
$root = dirname(__DIR__);
$once = function (string $path) use ($root): float {
    $from = hrtime(true);
    /** @var Application $app */
    $app = require $root.'/bootstrap/app.php';
    // Before all others, so that the catch-all for funnels does not take it.
    $app->afterResolving('router', fn (Router $router) => $router->get('bench/empty', fn (): string => ''));
    $kernel = $app->make(Kernel::class);
    $response = $kernel->handle($request = Request::create($path));
    if ($response->getStatusCode() !== 200) {
        exit("{$path} answered {$response->getStatusCode()}: ".mb_substr(strip_tags((string) $response->getContent()), 0, 400)."\n");
    }
    $took = (hrtime(true) - $from) / 1e6;
    $kernel->terminate($request, $response);
    $app->flush();

    return $took;
};
$paths = ['empty route' => '/bench/empty', 'opt-in page' => '/'.$funnels['give-away']->address,
    'long opt-in page' => '/'.$funnels['long-opt-in']->address, 'sales page' => '/'.$funnels['sell']->address];
$times = [];
for ($i = 0; $i < 60; $i++) {
    foreach ($paths as $name => $path) {
        $times[$name][] = $once($path);
    }
}
$median = function (array $t): float {
    sort($t);

    return $t[intdiv(count($t), 2)];
};
ob_end_flush();
foreach ($times as $name => $t) {
    printf("%-18s %.2f of an empty route\n", $name, $median($t) / $median($times['empty route']));
}
exit($worst[1] <= LIMIT ? 0 : 1);
