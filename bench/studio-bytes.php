<?php

declare(strict_types=1);

/*
 * Measures the script the Studio loads at first, compressed as a server would send it.
 *
 *   php bench/studio-bytes.php      after a build
 */

$manifest = json_decode((string) file_get_contents(__DIR__.'/../public/build/manifest.json'), true);
$collect = function (string $entry, array &$seen) use (&$collect, $manifest): void {
    if (isset($seen[$entry])) {
        return;
    }
    $seen[$entry] = $manifest[$entry]['file'];
    foreach ($manifest[$entry]['imports'] ?? [] as $import) {
        $collect($import, $seen);
    }
};
$size = fn (string $file): int => strlen((string) gzencode((string) file_get_contents(__DIR__."/../public/build/{$file}"), 9));
$first = [];
$collect('resources/studio/main.ts', $first);
$total = 0;
foreach ($first as $file) {
    printf("%-60s %8s\n", $file, number_format($size($file)));
    $total += $size($file);
}
printf("%-60s %8s   limit 250,000: %s\n\n", 'first load, gzip', number_format($total), $total <= 250_000 ? 'kept' : 'BROKEN');
// With all it needs that is not there from the start.
echo "loaded when opened\n";
$opened = ['funnel/FunnelScreen', 'funnel/desk/experiment/VariantDesk', 'emails/EmailSheet', 'results/ResultsScreen', 'results/DayChart'];
foreach (array_map(fn (string $screen): string => "resources/studio/{$screen}.vue", $opened) as $entry) {
    $more = $first;
    $collect($entry, $more);
    printf("%-60s %8s\n", $entry, number_format(array_sum(array_map($size, array_diff_key($more, $first)))));
}
exit($total <= 250_000 ? 0 : 1);
