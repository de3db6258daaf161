<?php

declare(strict_types=1);

use App\Models\Funnel;
use App\Publishing\Publishing;
use Bench\Scratch;
use Lantern\Core\Page\Look\Looks;
use Symfony\Component\Process\Process;

/*
 * Runs Lighthouse on the published entry page of every starter in every look: performance, accessibility, best
 * practices and search. Says which is the least in each, and fails below 95.
 *
 *   php bench/lighthouse.php [STARTER …]         LOOKS=harbour,linen for some looks only
 */

require __DIR__.'/Scratch.php';

const LEAST = 95;

$scratch = new Scratch;
$looks = getenv('LOOKS') ? explode(',', (string) getenv('LOOKS')) : array_keys(Looks::all());
$categories = ['performance', 'accessibility', 'best-practices', 'seo'];
$least = array_fill_keys($categories, 100);
printf("%-14s %-10s %s\n", 'starter', 'look', implode('  ', $categories));
foreach ($scratch->starters($scratch->owner()) as $goal => $funnel) {
    if (array_slice($argv, 1) !== [] && ! in_array($goal, array_slice($argv, 1), true)) {
        continue;
    }
    foreach ($looks as $look) {
        $funnel->forceFill(['look' => $look])->save();
        app(Publishing::class)->publish(Funnel::query()->findOrFail($funnel->id), null);
        $run = new Process([dirname(__DIR__).'/node_modules/.bin/lighthouse', $scratch->site.'/'.$funnel->address, '--quiet',
            '--output=json', '--only-categories='.implode(',', $categories),
            '--chrome-flags=--headless=new --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking '
                .'--disable-component-update --disable-sync --disable-dev-shm-usage'],
            dirname(__DIR__), ['CHROME_PATH' => '/usr/bin/chromium'], timeout: 180);
        $run->mustRun();
        $report = json_decode($run->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $scores = [];
        foreach ($categories as $category) {
            $scores[$category] = (int) round(100 * ($report['categories'][$category]['score'] ?? 0));
            $least[$category] = min($least[$category], $scores[$category]);
            if ($scores[$category] < LEAST) {
                foreach ($report['categories'][$category]['auditRefs'] as $ref) {
                    $audit = $report['audits'][$ref['id']];
                    if ($ref['weight'] > 0 && ($audit['score'] ?? 1) < 0.9) {
                        echo "    {$category}: {$audit['title']} ".($audit['displayValue'] ?? '')."\n";
                    }
                }
            }
        }
        printf("%-14s %-10s %s\n", $goal, $look,
            implode('  ', array_map(fn (string $c): string => str_pad((string) $scores[$c], strlen($c)), $categories)));
    }
}
printf("%-14s %-10s %s\n", 'least', '',
    implode('  ', array_map(fn (string $c): string => str_pad((string) $least[$c], strlen($c)), $categories)));
exit(min($least) < LEAST ? 1 : 0);
