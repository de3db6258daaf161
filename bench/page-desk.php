<?php

declare(strict_types=1);

use App\Models\DraftPart;
use Bench\Scratch;
use Facebook\WebDriver\WebDriverBy;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Document;
/*
 * Measures the desk on a page of thirty sections: from a key pressed to the page showing it, for words typed on the
 * page itself and for a field in the column, whose section the server draws anew. Median and 95th percentile.
 *
 *   php bench/page-desk.php [KEYSTROKES]
 */

use Tests\Browser\Chrome;

require __DIR__.'/Scratch.php';

$strokes = max(20, (int) ($argv[1] ?? 100));
$scratch = new Scratch;
$funnel = $scratch->starters($scratch->owner())['long-opt-in'];
$page = DraftPart::there($funnel->id, 'page')->firstOrFail();
$document = Document::fromArray($page->definition['document']);
$sections = $document->sections;
$designs = array_values(array_filter(Designs::all(), fn ($d): bool => ! in_array($d->kind->value, ['opening', 'header', 'footer'], true)));
for ($i = 0; count($sections) < 30; $i++) {
    $n = 0;
    $sections[] = $designs[($i * 7) % count($designs)]->section(function () use ($i, &$n): string {
        return "s{$i}-".$n++;
    });
}
$page->change(['document' => $document->with($sections)->toArray()])->save();

$b = Chrome::open();
$b->get($scratch->site.'/studio');
$wait = fn (string $css) => $b->wait(15, 50)->until(fn () => $b->findElements(WebDriverBy::cssSelector($css))[0] ?? null);
$wait('input[type=password]')->sendKeys('twelve minutes a day');
$b->findElement(WebDriverBy::cssSelector('input[type=email], input[autocomplete=username]'))->clear()->sendKeys('imke@ferncroft.example');
$b->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
$wait('table tbody tr');
$b->get("{$scratch->site}/studio/funnels/{$funnel->id}/page/{$page->id}");
$frame = $wait('iframe[data-ready=true]');

/** @param  list<float>  $times */
$report = function (string $what, array $times): void {
    sort($times);
    $at = fn (float $share): float => $times[(int) min(count($times) - 1, floor($share * count($times)))];
    printf("%-58s n=%d  median %5.1f ms  95th percentile %5.1f ms\n", $what, count($times), $at(0.5), $at(0.95));
};

// Words on the page itself.
$b->switchTo()->frame($frame);
$b->executeScript("window.t = []; document.addEventListener('keydown', () => { const from = performance.now(); const c = new "
    .'MessageChannel(); requestAnimationFrame(() => { c.port1.onmessage = () => t.push(performance.now() - from); '
        ."c.port2.postMessage(0); }); }, true); document.querySelector('h1').focus()");
$heading = $b->findElement(WebDriverBy::cssSelector('h1'));
for ($i = 0; $i < $strokes; $i++) {
    $heading->sendKeys(chr(97 + $i % 26));
}
$report('words typed on the page, to the next frame', array_map(floatval(...), $b->executeScript('return t')));
$b->switchTo()->defaultContent();

// A field in the column: the server draws the section.
$b->executeScript('const d = document.querySelector("iframe[data-ready=true]").contentDocument; d.querySelector(".k-host .figure '
    .'img").click()');
$label = $b->wait(15, 50)
    ->until(fn () => $b->executeScript('return [...document.querySelectorAll("label")].find(l => l.innerText.startsWith("What does it '
        .'show?"))?.htmlFor ?? null'));
$b->executeScript('window.t = []; window.from = 0; const d = document.querySelector("iframe[data-ready=true]").contentDocument;
    const field = document.getElementById(arguments[0]); field.addEventListener("keydown", () => { from = performance.now(); }, true);
    new MutationObserver(() => { if (from && d.querySelector(".k-host .figure img")?.alt === field.value) { t.push(performance.now() -
        from); from = 0; } }).observe(d.querySelector("main"), { childList: true, subtree: true, attributes: true })', [$label]);
$field = $b->findElement(WebDriverBy::id($label));
$field->clear();
for ($i = 0; $i < $strokes; $i++) {
    $before = count($b->executeScript('return t'));
    $field->sendKeys(chr(97 + $i % 26));
    $b->wait(5, 2)->until(fn (): bool => count($b->executeScript('return t')) > $before);
}
$report('a field in the column, to the section drawn by the server', array_map(floatval(...), $b->executeScript('return t')));
$b->quit();
