<?php

declare(strict_types=1);

/*
 * Opens a page that records a video, waits until it has, and keeps what it made.
 *
 *   php make-webinar.php PAGE FILE
 */

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Tests\Browser\Chrome;

require __DIR__.'/../../vendor/autoload.php';

$browser = Chrome::open();
$browser->get("file://{$argv[1]}");
$browser->wait(300, 500)->until(fn (RemoteWebDriver $b): bool => (bool) $b->executeScript(
    'return document.getElementById("out").textContent !== ""'), 'The page has recorded nothing.');
$made = (string) $browser->executeScript('return document.getElementById("out").textContent');
$browser->quit();
if (str_starts_with($made, 'ERROR')) {
    fwrite(STDERR, "{$made}\n");
    exit(1);
}
file_put_contents($argv[2], base64_decode($made, true));
