<?php

declare(strict_types=1);

use App\Drafts\DraftPages;
use App\Drafts\DraftRows;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Way;
use App\Support\Ids;
use Bench\Scratch;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Tests\Browser\Chrome;

/*
 * Measures the timeline of a funnel of forty pages and sixty emails beside that of the webinar starter (twelve and fourteen), by turns in
 * one run: drawing all of it anew, showing the ways of a page, moving an email under the pointer by one step; and what the server gives
 * for it. Medians.
 *
 *   php bench/timeline.php [TIMES]
 */

require __DIR__.'/Scratch.php';

$times = max(10, (int) ($argv[1] ?? 40));
$scratch = new Scratch;
$starters = $scratch->starters($scratch->owner());
$small = $starters['webinar'];
$large = $starters['sell'];
$pages = app(DraftPages::class);
$roles = [PageRole::Sales, PageRole::Checkout, PageRole::Upsell, PageRole::Downsell, PageRole::Lesson, PageRole::Free];
for ($n = DraftPart::there($large->id, 'page')->count(); $n < 40; $n++) {
    $pages->add($large->refresh(), $roles[$n % count($roles)], null);
}
$ids = DraftPart::there($large->id, 'page')->orderBy('position')->pluck('id')->all();
foreach ($ids as $i => $id) {
    foreach (['chose', 'bought', 'declined'] as $j => $outcome) {
        Way::query()->updateOrCreate(['page_id' => $id, 'outcome' => $outcome], ['funnel_id' => $large->id,
            'to_page' => $ids[($i + 1 + $j * 7) % count($ids)],
            'to_url' => null]);
    }
}
$sequence = DraftPart::there($large->id, 'sequence')->valueOrFail('id');
for ($day = 1; DraftPart::there($large->id, 'email')->count() < 60; $day++) {
    DraftRows::add($large->refresh(), new EmailPlan(Ids::next(), "Day {$day}", "Day {$day}", '<p>Words.</p>', Delay::days($day, 9),
        $sequence));
}

/** @param  list<float>  $list */
$median = function (array $list): float {
    sort($list);

    return $list[intdiv(count($list), 2)];
};
$b = Chrome::open();
$b->get($scratch->site.'/studio');
$wait = fn (string $css) => $b->wait(15, 50)->until(fn (RemoteWebDriver $b) => $b->findElements(WebDriverBy::cssSelector($css))[0] ?? null);
$wait('input[type=password]')->sendKeys('twelve minutes a day');
$b->findElement(WebDriverBy::cssSelector('input[type=email], input[autocomplete=username]'))->clear()->sendKeys('imke@ferncroft.example');
$b->findElement(WebDriverBy::cssSelector('button[type=submit]'))->click();
$wait('table tbody tr');

/** How long each of several acts takes until it is painted, in milliseconds. */
$acts = function (Funnel $funnel) use ($b, $wait, $scratch, $times): array {
    $b->get("{$scratch->site}/studio/funnels/{$funnel->id}");
    $wait('[data-page] img');
    $b->manage()->timeouts()->setScriptTimeout(120);

    return (array) $b->executeAsyncScript(<<<'JS'
        const [times, done] = arguments;
        const painted = () => new Promise(r => requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = r;
            c.port2.postMessage(0); }));
        const timed = async act => { const from = performance.now(); act(); await painted(); return performance.now() - from; };
        const button = words => [...document.querySelectorAll('button')].find(e => e.getAttribute('aria-label') === words);
        const cards = [...document.querySelectorAll('[data-page]')].map(c => c.parentElement);
        const mark = [...document.querySelectorAll('.mark')].at(-1);
        const point = (type, x) => new PointerEvent(type, { bubbles: true, clientX: x, clientY: 5, button: 0, buttons: 1 });
        (async () => {
            const found = { draw: [], ways: [], drag: [] };
            for (let i = 0; i < times; i++) {
                found.draw.push(await timed(() => button(i % 2 ? 'Smaller' : 'Larger').click()));
                const card = cards[i % cards.length];
                found.ways.push(await timed(() => card.dispatchEvent(new PointerEvent('pointerenter'))));
                card.dispatchEvent(new PointerEvent('pointerleave'));
                await painted();
            }
            mark.dispatchEvent(point('pointerdown', 100));
            for (let i = 0; i < times; i++) {
                found.drag.push(await timed(() => window.dispatchEvent(point('pointermove', 110 + i))));
            }
            window.dispatchEvent(new PointerEvent('pointercancel'));
            const asked = async path => { const from = performance.now(); await (await fetch(path)).text();
                return performance.now() - from; };
            const id = location.pathname.split('/').at(-1);
            for (const [name, path] of [['draft', ''], ['drawings', '/drawings'], ['numbers', '/numbers?days=28']]) {
                found[name] = [];
                for (let i = 0; i < 10; i++) {
                    found[name].push(await asked(`/studio/api/funnels/${id}${path}`));
                }
            }
            done(found);
        })();
        JS, [$times]);
};
$found = ['small' => [], 'large' => []];
foreach ([1, 2] as $round) {
    foreach (['small' => $small, 'large' => $large] as $size => $funnel) {
        foreach ($acts($funnel) as $act => $list) {
            $found[$size][$act] = [...$found[$size][$act] ?? [], ...$list];
        }
    }
}
printf("%d and %d pages, %d and %d emails\n", ...array_map(fn (array $of): int => DraftPart::there($of[0]->id, $of[1])->count(),
    [[$small, 'page'], [$large, 'page'], [$small, 'email'], [$large, 'email']]));
$words = ['draw' => 'all of it drawn anew', 'ways' => 'the ways of a page', 'drag' => 'an email moved by a step', 'draft' => 'the draft',
    'drawings' => 'the drawings of its pages', 'numbers' => 'its numbers of four weeks'];
foreach ($words as $act => $what) {
    [$s, $l] = [$median($found['small'][$act]), $median($found['large'][$act])];
    printf("%-32s %6.1f ms, large %6.1f ms: %.1f times\n", $what, $s, $l, $l / $s);
}
$b->quit();
