<?php

declare(strict_types=1);

/*
 * Takes the pictures of the main views from a running demo.
 *
 *   php docs/screenshots/make.php [ADDRESS] [NAME …]      ADDRESS is http://localhost:8000 unless given
 *
 * The demo must run (bin/demo). Without names, all pictures are taken.
 */

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Chrome;

require __DIR__.'/../../vendor/autoload.php';

$studioUrl = $argv[1] ?? 'http://localhost:8000';
$site = str_replace('localhost', '127.0.0.1', $studioUrl);
$wanted = array_slice($argv, 2);
$folder = getenv('SHOTS') ?: __DIR__;
/** Those that are half of another one come along with it. */
if ($wanted !== []) {
    $halves = ['orders' => 'order', 'broadcast' => 'outbox', 'session' => 'report', 'opt-in-page' => 'session-page',
        'results' => 'leaks tests', 'people' => 'warmth', 'sequence' => 'form', 'guide' => 'reading', 'offers' => 'checkout',
        'rehearsal' => 'rule forecast', 'languages' => 'domains'];
    array_push($wanted, ...explode(' ', implode(' ', array_intersect_key($halves, array_flip($wanted)))));
}

$wait = function (RemoteWebDriver $b, string $css): void {
    $b->wait(15, 100)->until(fn (RemoteWebDriver $b): bool => count($b->findElements(WebDriverBy::cssSelector($css))) > 0,
        "Nothing on the page is {$css}");
};
/** Fonts and pictures are there, and nothing is being asked for any more. */
$settled = function (RemoteWebDriver $b): void {
    $b->wait(15, 100)->until(fn (RemoteWebDriver $b): bool => (bool) $b->executeScript(
        'if (document.fonts.status !== "loaded" || [...document.images].some(i => i.loading !== "lazy" && !i.complete)) return false;
         const n = performance.getEntriesByType("resource").length; const same = window.__n === n; window.__n = n; return same;'));
};
$shoot = function (RemoteWebDriver $b, string $name) use ($folder, $wanted, $settled): void {
    if ($wanted === [] || in_array($name, $wanted, true)) {
        $settled($b);
        $b->takeScreenshot("{$folder}/{$name}.png");
        echo "{$name}.png\n";
    }
};

/** Two pictures above each other, as one file: there are more views than pictures. */
$join = function (string $upper, string $lower) use ($folder, $wanted): void {
    if ($wanted === [] || in_array($upper, $wanted, true)) {
        [$a, $b] = [imagecreatefrompng("{$folder}/{$upper}.png"), imagecreatefrompng("{$folder}/{$lower}.png")];
        if ($a === false || $b === false) {
            throw new RuntimeException("There are no two pictures for {$upper}.");
        }
        $both = imagecreatetruecolor(imagesx($a), imagesy($a) + imagesy($b) + 12);
        imagefill($both, 0, 0, (int) imagecolorallocate($both, 141, 134, 114));
        imagecopy($both, $a, 0, 0, 0, 0, imagesx($a), imagesy($a));
        imagecopy($both, $b, 0, imagesy($a) + 12, 0, 0, imagesx($b), imagesy($b));
        imagepng($both, "{$folder}/{$upper}.png", 9);
        unlink("{$folder}/{$lower}.png");
    }
};
$studio = Chrome::open();
$studio->get("{$studioUrl}/studio");
$wait($studio, 'button[type=submit]');
$studio->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
$wait($studio, 'table tbody tr');
$shoot($studio, 'funnels');
$funnels = [];
foreach ($studio->findElements(WebDriverBy::cssSelector('table tbody tr td:first-child a')) as $link) {
    $funnels[$link->getText()] = basename((string) $link->getAttribute('href'));
}
$funnel = $funnels['Practice plan'];
$selling = $funnels['First Season, sales'];
$inFrame = function (string $script) use ($studio): void {
    $studio->switchTo()->frame($studio->findElement(WebDriverBy::cssSelector('iframe[data-ready=true]')));
    $studio->executeScript($script);
    $studio->switchTo()->defaultContent();
};
$press = function (string $words, string $css = 'button') use ($studio): void {
    $studio->wait(15, 100)
        ->until(fn () => $studio->executeScript('const e = [...document.querySelectorAll(arguments[1])].find(e => '
            .'e.innerText.trim().startsWith(arguments[0])); e?.click(); return !!e', [$words, $css]), $words);
};
$go = function (string $path, string $css) use ($studio, $studioUrl, $wait): void {
    $studio->get("{$studioUrl}/studio/{$path}");
    $wait($studio, $css);
};
$parts = function (string $kind, ?string $of = null) use ($studio, $funnel): string {
    $of ??= $funnel;

    return (string) $studio->executeScript("return (async () => { const f = await (await fetch('/studio/api/funnels/{$of}')).json(); "
        ."return f.{$kind}[0].id; })()");
};
$go("funnels/{$funnels['First Melody, live']}", '[data-test=timeline] [data-page] img');
$wait($studio, '[data-test=timeline] .way span:not([aria-hidden])');
$shoot($studio, 'funnel');
$go("funnels/{$funnel}/page/".$parts('pages'), 'iframe[data-ready=true]');
$inFrame("document.querySelector('.k-learn').scrollIntoView({ block: 'center' }); document.querySelector('.k-learn h2').click()");
$press('The section');
$shoot($studio, 'page-desk');
$go("funnels/{$selling}/offers", 'h1');
$shoot($studio, 'offers');
$go("funnels/{$selling}/rehearsal", '[data-test=visitor]');
foreach (['Gets the tag', 'Follows the link to', 'Waits until a minute', 'Chooses the offer', 'Buys'] as $choice) {
    $press($choice, 'button:enabled');
}
$studio->wait(15, 100)->until(fn () => $studio->executeScript('return document.body.innerText.includes("They buy")'), 'They buy');
$shoot($studio, 'rehearsal');
$go("funnels/{$selling}/automation/".$parts('rules', $selling), '[data-test=rule-log] li');
$shoot($studio, 'rule');
$join('rehearsal', 'rule');
$go("results/{$funnel}/forecast", 'button.btn');
if ($wanted === [] || in_array('forecast', $wanted, true)) {
    $press('Make');
    $studio->wait(90, 300)->until(fn () => $studio->executeScript('return document.querySelector("[data-test=forecast]") !== null'),
        'a forecast');
    $shoot($studio, 'forecast');
    $join('rehearsal', 'forecast');
}
$go("funnels/{$selling}/deadline/".$parts('deadlines', $selling), '[data-test=examples] li');
$shoot($studio, 'deadline');
$go('sales/orders', 'table tbody tr');
$shoot($studio, 'orders');
$refunded = "return (async () => (await (await fetch('/studio/api/orders?state=part-refunded')).json()).orders[0].id)()";
$go('sales/orders/'.$studio->executeScript($refunded), '[data-test=sentence]');
$shoot($studio, 'order');
$join('orders', 'order');
$live = $funnels['First Melody, live'];
$webinar = "funnels/{$live}/webinar/".$parts('webinars', $live);
$go($webinar, '[data-test=sessions] a');
$shoot($studio, 'webinar');
$sessions = $studio->executeScript('return [...document.querySelectorAll("[data-test=sessions] a")].map(a => [a.textContent, a.pathname])');
$path = fn (string $words): string => substr((string) (array_values(array_filter($sessions, fn (array $s): bool => $s[0] === $words))[0][1]
    ?? ''), strlen('/studio/'));
$go($path('Report'), 'canvas');
$shoot($studio, 'report');
$press('Control room', '[role=tab]');
$press('Show all');
$shoot($studio, 'session');
$join('session', 'report');
$go("funnels/{$funnel}/popup/".$parts('popups'), 'iframe[data-ready=true]');
$press('Question');
$shoot($studio, 'popup');
$go("funnels/{$funnel}/email/".$parts('emails'), '.email-text p');
$shoot($studio, 'email-desk');
$go("funnels/{$funnel}/form/".$parts('forms'), 'fieldset');
$shoot($studio, 'form');
$go("funnels/{$funnel}/sequence/".$parts('sequences'), 'table tbody tr');
$shoot($studio, 'sequence');
$join('sequence', 'form');
$go("funnels/{$funnel}/guide/".$parts('guides').'?view=readers', '[data-test=readers] tbody tr');
$shoot($studio, 'guide');
$go('people', 'table tbody tr');
$press('Everybody', '[aria-haspopup=listbox]');
$press('Keen on the plan', '[role=option]');
$wait($studio, '[data-test=segment-count]');
$shoot($studio, 'people');
$go('people/warmth', '[data-test=first] li');
$shoot($studio, 'warmth');
$join('people', 'warmth');
$go('people?', 'table tbody tr');
// Somebody who has read all of the guide.
$person = (string) $studio->executeScript('return (async () => (await (await '
    ."fetch('/studio/api/guides/".$parts('guides')."/readers?list=finished')).json()).readers[2].id)()");
$go("people/{$person}", '[data-test=reading]');
$studio->executeScript('document.querySelector("[data-test=reading]").scrollIntoView({ block: "center" })');
$shoot($studio, 'person');
$broadcast = (string) $studio->executeScript('return (async () => (await (await '
    ."fetch('/studio/api/broadcasts')).json()).broadcasts.find(b => b.state === 'draft').id)()");
$go("emails/broadcasts/{$broadcast}", '.email-text p');
$shoot($studio, 'broadcast');
$go('emails', 'ul li a');
$studio->findElement(WebDriverBy::cssSelector('section ul li a'))->click();
$wait($studio, '[role=tablist]');
$shoot($studio, 'outbox');
$join('broadcast', 'outbox');
$go("results/{$selling}", 'canvas');
$shoot($studio, 'results');
$go("results/{$selling}/leaks", '[data-test=leak]');
$shoot($studio, 'leaks');
$join('results', 'leaks');
$go("results/{$funnel}/tests", '[data-test=split-test] tbody tr');
$shoot($studio, 'tests');
$join('results', 'tests');
// Two funnels in other languages, made for the picture and archived after it: one formal German, one from right to left.
if ($wanted === [] || in_array('languages', $wanted, true)) {
    $studio->manage()->timeouts()->setScriptTimeout(30);
    $made = $studio->executeAsyncScript((string) file_get_contents(__DIR__.'/languages.js'));
    is_array($made) || throw new RuntimeException((string) $made);
    [$german, $mirrored] = $made;
    $phones = [];
    foreach ([$german, "{$german}/bestellung", $mirrored] as $path) {
        $phone = Chrome::open(420, 800);
        $phone->get("{$site}/{$path}");
        $wait($phone, str_ends_with($path, 'bestellung') ? '.card-fields iframe' : 'form');
        $settled($phone);
        $phones[] = $phone->takeScreenshot();
        $phone->quit();
    }
    $studio->executeAsyncScript('const done = arguments[arguments.length - 1]; (async () => { for (const id of window.madeForPicture) '
        .'await window.ask("POST", `funnels/${id}/archive`); done(); })()');
    $go('settings/phrases?language=de-x-formal', '[data-phrase]');
    $press('Page: unsubscribe');
    $shoot($studio, 'languages');
    $row = array_map(imagecreatefromstring(...), $phones);
    $width = array_sum(array_map(imagesx(...), $row)) + 24;
    $strip = imagecreatetruecolor(1280, imagesy($row[0]));
    imagefill($strip, 0, 0, (int) imagecolorallocate($strip, 141, 134, 114));
    foreach ($row as $i => $picture) {
        imagecopy($strip, $picture, intdiv(1280 - $width, 2) + $i * (imagesx($picture) + 12), 0, 0, 0, imagesx($picture),
            imagesy($picture));
    }
    imagepng($strip, "{$folder}/phones.png", 9);
    $join('languages', 'phones');
    // A domain of the owner's, put on the list for the picture and taken off it.
    $ask = 'const [method, path, body, done] = arguments; fetch(`/studio/api/${path}`, { method, body, headers: { '
        .'Accept: "application/json", "Content-Type": "application/json", '
        .'"X-XSRF-TOKEN": decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1]) } })'
        .'.then((a) => a.json()).then((d) => done(d.id ?? ""), () => done(""));';
    $domain = $studio->executeAsyncScript($ask, ['POST', 'domains', json_encode(['name' => 'cello.ferncroft.example',
        'leadsTo' => 'business', 'funnel' => ''])]);
    $go('settings/domains', '[data-domain]');
    $shoot($studio, 'domains');
    $join('languages', 'domains');
    $studio->executeAsyncScript($ask, ['DELETE', "domains/{$domain}", null]);
}
$studio->quit();

$visitor = Chrome::open();
$visitor->get("{$site}/practice-plan");
$shoot($visitor, 'opt-in-page');
$visitor->get("{$site}/practice-plan/read");
$shoot($visitor, 'reading');
$join('guide', 'reading');
$visitor->get("{$site}/first-melody-now");
// Whoever is known already would be shown nothing of their session.
$visitor->executeScript('document.querySelector("[name=email]").value = "robin'.time().'@example.com"');
sleep(3);
$visitor->executeScript('document.querySelector("form button[type=submit]").click()');
$wait($visitor, '.session-acts a');
$shoot($visitor, 'session-page');
$join('opt-in-page', 'session-page');
$visitor->get("{$site}/first-season/order");
$wait($visitor, '.card-fields iframe');
$shoot($visitor, 'checkout');
$join('offers', 'checkout');
$visitor->quit();
