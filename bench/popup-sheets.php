<?php

declare(strict_types=1);

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Files\Uploads;
use App\Serving\PreviewLink;
use App\Support\Ids;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Popups\Placement;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Support\Shape;
use Tests\Browser\Chrome;

/*
 * Shows every design of pop-ups over an opt-in page, as its own script shows it, and lays the pictures side by side: one sheet for
 * each look and width. What is placed in a page stands in a page of its own. For looking at, not for keeping.
 *
 *   php bench/popup-sheets.php FOLDER [LOOK …]
 */

require __DIR__.'/Scratch.php';

$folder = $argv[1] ?? exit("Please name a folder.\n");
@mkdir($folder, recursive: true);
$scratch = new Scratch;
$owner = $scratch->owner();
$funnel = $scratch->starters($owner)['give-away'];
$file = (string) tempnam(sys_get_temp_dir(), 'lantern');
$drawn = imagecreatetruecolor(900, 1100);
for ($y = 0; $y < 1100; $y++) {
    imageline($drawn, 0, $y, 900, $y, (int) imagecolorallocate($drawn, 90 + intdiv($y, 10), 70 + intdiv($y, 16), 60));
}
imagepng($drawn, $file);
$picture = app(Uploads::class)->picture($owner->business, new UploadedFile($file, 'cello.png', 'image/png', null, true))->id;
$until = CarbonImmutable::now()->addDay();
$words = ['heading' => 'Twelve minutes a day', 'text' => 'The practice plan for grown-up beginners, free and in your inbox in a minute.'];
$popups = [];
foreach (PopupDesigns::all() as $design) {
    $written = PopupDesigns::fresh(Ids::next(), $design->name, $design, Ids::next(...), DraftPlan::read($funnel->refresh())->firstParts())
        ->toArray();
    foreach ($written['document']['sections'][0]['blocks'] as &$block) {
        $block = match (BlockKind::from($block['kind'])) {
            BlockKind::Heading => ['text' => $words['heading']] + $block,
            BlockKind::Text => ['html' => $words['text']] + $block,
            BlockKind::Picture => ['picture' => $picture] + $block,
            default => $block,
        };
    }
    unset($block);
    $written['frame']['entry'] = 'none';
    $popup = Popup::fromShape(Shape::of(['on' => true, 'triggers' => [['kind' => 'seconds', 'amount' => 0]]] + $written));
    DraftRows::add($funnel->refresh(), $popup);
    $popups[] = [$popup, PopupDesigns::stand($design)];
}
foreach (array_slice($argv, 2) ?: ['harbour', 'graphite', 'placard'] as $look) {
    $funnel->forceFill(['look' => $look])->save();
    foreach (['desktop' => [1280, 800, 4], 'phone' => [390, 800, 8]] as $device => [$width, $height, $across]) {
        $browser = Chrome::open($width, $height);
        $scale = $device === 'desktop' ? 0.3 : 0.5;
        $shots = [];
        foreach ($popups as [$popup, $stand]) {
            if ($stand === Placement::Placed) {
                continue;
            }
            $browser->get(PreviewLink::make($funnel->id, $until)."&popup={$popup->id}");
            $browser->wait(10, 50)->until(fn ($b): bool => (bool) $b->executeScript('return document.fonts.status === "loaded" '
                .'&& [...document.body.children].some(e => e.shadowRoot?.querySelector(".pop-box") '
                .'&& [...e.shadowRoot.querySelectorAll("img")].every(i => i.complete))'));
            $shot = $browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST',
                ['cmd' => 'Page.captureScreenshot', 'params' => ['clip' => ['x' => 0, 'y' => 0, 'width' => $width, 'height' => $height,
                    'scale' => $scale]]]);
            $shots[] = imagecreatefromstring((string) base64_decode($shot['data'], true));
        }
        $browser->quit();
        [$w, $h] = [imagesx($shots[0]) + 8, imagesy($shots[0]) + 8];
        $sheet = imagecreatetruecolor($w * $across, $h * (int) ceil(count($shots) / $across));
        imagefill($sheet, 0, 0, (int) imagecolorallocate($sheet, 200, 60, 60));
        foreach ($shots as $i => $picture) {
            imagecopy($sheet, $picture, ($i % $across) * $w, intdiv($i, $across) * $h, 0, 0, imagesx($picture), imagesy($picture));
        }
        imagepng($sheet, "{$folder}/{$look}-{$device}.png");
        echo "{$look}-{$device}.png\n";
    }
}
