<?php

declare(strict_types=1);

use App\Models\DraftPart;
use App\Serving\PreviewLink;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Lantern\Core\Page\Look\Looks;
use Tests\Browser\Chrome;

/*
 * Draws every page of every starter in every look, on a desktop and on a phone, and lays the pictures side by side:
 * one sheet for each starter and width, a column for each look. For looking at, not for keeping.
 *
 *   php bench/contact-sheets.php FOLDER [STARTER …]
 */

require __DIR__.'/Scratch.php';

$folder = $argv[1] ?? exit("Please name a folder.\n");
@mkdir($folder, recursive: true);
$scratch = new Scratch;
$until = CarbonImmutable::now()->addDay();
$looks = getenv('LOOKS') ? explode(',', (string) getenv('LOOKS')) : array_keys(Looks::all());
foreach ($scratch->starters($scratch->owner()) as $goal => $funnel) {
    if (array_slice($argv, 2) !== [] && ! in_array($goal, array_slice($argv, 2), true)) {
        continue;
    }
    $pages = DraftPart::there($funnel->id, 'page')->get();
    foreach (['desktop' => [1280, 800, 0.15], 'phone' => [390, 800, 0.3]] as $device => [$width, $height, $scale]) {
        $browser = Chrome::open($width, $height);
        $rows = [];
        foreach ($looks as $look) {
            $funnel->forceFill(['look' => $look])->save();
            $row = [];
            foreach ($pages as $page) {
                $browser->get(PreviewLink::make($funnel->id, $until, $page->part()->toArray()['address']));
                $browser->wait(10, 50)->until(fn ($b): bool => (bool) $b->executeScript('return document.fonts.status === "loaded"'));
                $browser->executeScript('document.querySelector(".preview-note")?.remove(); '
                    .'document.querySelectorAll("[loading=lazy]").forEach(i => i.loading = "eager")');
                $tall = min(5200, (int) $browser->executeScript('return document.documentElement.scrollHeight'));
                $shot = $browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST',
                    ['cmd' => 'Page.captureScreenshot', 'params' => ['captureBeyondViewport' => true,
                        'clip' => ['x' => 0, 'y' => 0, 'width' => $width, 'height' => $tall, 'scale' => $scale]]]);
                $row[] = imagecreatefromstring((string) base64_decode($shot['data'], true));
            }
            $rows[] = $row;
        }
        $browser->quit();
        // A column for each look, the pages of the way below one another.
        $wide = array_sum(array_map(fn (array $r): int => max(array_map(imagesx(...), $r)) + 6, $rows));
        $sheet = imagecreatetruecolor($wide,
            max(array_map(fn (array $r): int => array_sum(array_map(imagesy(...), $r)) + 6 * count($r), $rows)));
        imagefill($sheet, 0, 0, (int) imagecolorallocate($sheet, 120, 120, 120));
        $x = 0;
        foreach ($rows as $row) {
            $y = 0;
            foreach ($row as $picture) {
                imagecopy($sheet, $picture, $x, $y, 0, 0, imagesx($picture), imagesy($picture));
                $y += imagesy($picture) + 6;
            }
            $x += imagesx($row[0]) + 6;
        }
        imagepng($sheet, "{$folder}/{$goal}-{$device}.png");
        echo "{$goal}-{$device}.png\n";
    }
}
