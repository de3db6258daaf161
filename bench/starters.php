<?php

declare(strict_types=1);

use App\Drafts\NewFunnel;
use App\Languages\PhraseBook;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Publishing\Publishing;
use Bench\Scratch;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\Router;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Page\Look\Looks;

/*
 * Weighs the entry page of every starter in every look as a browser takes it, without the owner's pictures, and says
 * which is heaviest, and how heavy it is in each language; and the server's work for a published page as a ratio to an empty route,
 * and of one in German to the same in English, measured in turn.
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
/** @return array{int, int, int, int} bytes of the page, of the fonts and the script it asks for at once, and in all */
$weigh = function (string $path) use ($get): array {
    [$bytes, $html] = $get($path);
    str_contains($html, '</main>') || throw new LogicException("{$path} is no page.");
    preg_match_all('~rel="preload" as="font"[^>]* href="([^"]+)"~', $html, $fonts);
    preg_match_all('~<script type="module" src="([^"]+)"~', $html, $scripts);
    $font = array_sum(array_map(fn (string $f): int => $get($f)[0], array_unique($fonts[1])));
    // As nginx would send it: packed.
    $code = array_sum(array_map(fn (string $s): int => strlen((string) gzencode((string) file_get_contents(dirname(__DIR__)
        .'/public'.$s), 6)) + 300, $scripts[1]));

    return [$bytes, $font, $code, $bytes + $font + $code];
};
$worst = ['', 0];
$again = null;
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
            [$bytes, $font, $code, $all] = $weigh("/{$funnel->address}".($address === '' ? '' : "/{$address}"));
            $heaviest = $all > $heaviest[3] ? [$bytes, $font, $code, $all, $look] : $heaviest;
        }
        $again = $heaviest[3] > $worst[1] ? [$funnel, $address, $heaviest[4]] : $again;
        $worst = $heaviest[3] > $worst[1] ? ["{$goal}, {$page->name}, in {$heaviest[4]}", $heaviest[3]] : $worst;
        printf("%-14s %-16s %9s %9s %9s %9s  heaviest in %s\n", $goal, $page->name,
            ...array_map(number_format(...), array_slice($heaviest, 0, 4)), ...[$heaviest[4]]);
    }
}
printf("heaviest: %s: %s of %s: %s\n", $worst[0], number_format($worst[1]), number_format(LIMIT), $worst[1] <= LIMIT ? 'kept' : 'BROKEN');

[$funnel, $address, $look] = $again ?? throw new LogicException('No page was weighed.');
echo "the same in each language:\n";
foreach (Languages::SPOKEN as $language) {
    $funnel->forceFill(['look' => $look, 'language' => $language])->save();
    app(Publishing::class)->publish(Funnel::query()->findOrFail($funnel->id), null);
    [$bytes, $font, $code, $all] = $weigh("/{$funnel->address}".($address === '' ? '' : "/{$address}"));
    printf("%-31s %9s %9s %9s %9s  %s\n", Languages::name($language), ...array_map(number_format(...), [$bytes, $font, $code, $all]),
        ...[$all <= LIMIT && $code <= SCRIPT ? 'kept' : 'BROKEN']);
}
$funnel->forceFill(['language' => 'en'])->save();
app(Publishing::class)->publish(Funnel::query()->findOrFail($funnel->id), null);

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
// The same page in German, and in German with every phrase in other words.
$book = app(PhraseBook::class);
$german = [];
foreach (['German' => [], 'German, own words' => ['de' => array_map(fn (string $k): string => $book->ships(Language::of('de'), $k).' ',
    array_combine(array_keys($book->english()), array_keys($book->english())))]] as $name => $phrases) {
    $copy = app(NewFunnel::class)->duplicate(Funnel::query()->findOrFail($funnels['give-away']->id));
    $copy->forceFill(['language' => 'de', 'phrases' => $phrases])->save();
    app(Publishing::class)->publish(Funnel::query()->findOrFail($copy->id), null);
    $german["opt-in page, {$name}"] = '/'.$copy->address;
}
$paths = ['empty route' => '/bench/empty', 'opt-in page' => '/'.$funnels['give-away']->address] + $german + [
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
    printf("%-30s %.2f of an empty route\n", $name, $median($t) / $median($times['empty route']));
}
exit($worst[1] <= LIMIT ? 0 : 1);
