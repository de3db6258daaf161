<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

/*
 * The way from a fresh clone to the first page, by stages: what is installed and built, the demo's data (by what of the demo it is), and
 * the first page served. It makes a clone of what is committed in a folder of its own and removes it again.
 *
 *   php bench/first-start.php
 */

$root = dirname(__DIR__);
require_once $root.'/vendor/autoload.php';
$folder = sys_get_temp_dir().'/lantern-first-'.bin2hex(random_bytes(4));
register_shutdown_function(fn () => (new Process(['rm', '-rf', $folder]))->run());
(new Process(['git', 'clone', '--quiet', $root, $folder]))->mustRun();

/** Runs a command and tells each line of it with the second at which it came; says how long it took by the clock and the processor. */
$run = function (string $name, array $command, array $env = []) use ($folder): array {
    $before = getrusage(1) ?: [];
    $start = hrtime(true);
    $lines = [];
    (new Process($command, $folder, $env, timeout: 1800))->mustRun(function (string $type, string $said) use (&$lines, $start): void {
        foreach (array_filter(explode("\n", $said), fn (string $l): bool => trim($l) !== '') as $line) {
            $lines[] = [(hrtime(true) - $start) / 1e9, trim((string) preg_replace('/\e\[[0-9;]*m|^\s*\d+ s\s*/', '', $line))];
        }
    });
    $after = getrusage(1) ?: [];
    $cpu = 0;
    foreach (['ru_utime', 'ru_stime'] as $key) {
        $cpu += ($after["{$key}.tv_sec"] - $before["{$key}.tv_sec"]) + ($after["{$key}.tv_usec"] - $before["{$key}.tv_usec"]) / 1e6;
    }
    printf("%-34s %6.1f s by the clock, %6.1f s of processor\n", $name, (hrtime(true) - $start) / 1e9, $cpu);

    return [$cpu, $lines];
};

$run('installing and building', ['bash', '-c', '. bin/lib.sh; install_all']);
[$cpu, $lines] = $run('the demo, and all before serving', ['bin/demo', '--prepare']);
foreach ($lines as $i => [$at, $what]) {
    if (isset($lines[$i + 1])) {
        printf("    %5.1f s  %s\n", $lines[$i + 1][0] - $at, $what);
    }
}
[$part] = $run('a tenth of the demo’s crowd', [PHP_BINARY, 'artisan', 'lantern:demo', "{$folder}/tenth"], ['LANTERN_DEMO_PART' => '10']);
[$third] = $run('a third of it', [PHP_BINARY, 'artisan', 'lantern:demo', "{$folder}/third"], ['LANTERN_DEMO_PART' => '3']);
[$whole] = $run('all of it', [PHP_BINARY, 'artisan', 'lantern:demo', "{$folder}/whole"]);
printf("as ratios to a tenth: a third %.1f, all %.1f\n", $third / $part, $whole / $part);

$port = 8970;
$demo = new Process(['bin/demo', '--port', (string) $port], $folder, timeout: null);
$start = hrtime(true);
$demo->start();
$page = false;
while ($page === false && $demo->isRunning() && (hrtime(true) - $start) / 1e9 < 120) {
    $page = @file_get_contents("http://127.0.0.1:{$port}/practice-plan");
    usleep(20_000);
}
printf("%-34s %6.1f s by the clock (%s bytes)\n", 'from “bin/demo” again to a page', (hrtime(true) - $start) / 1e9,
    number_format(strlen((string) $page)));
$demo->signal(SIGTERM);
$demo->wait();
