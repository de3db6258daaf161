<?php

declare(strict_types=1);

use App\Publishing\Publishing;
use App\Serving\TakeWrittenDown;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/*
 * Sign-ups under load: so many at once against the application as it is served, with nothing lost, as a ratio to a
 * route that does nothing; and taking in what was written down before the framework started, by a process that does nothing else.
 *
 *   php bench/signups.php [SIGN-UPS] [AT ONCE]
 */

require __DIR__.'/Scratch.php';

[$count, $atOnce] = [(int) ($argv[1] ?? 600), (int) ($argv[2] ?? 8)];
putenv('LANTERN_SIGNUPS_PER_ADDRESS=1000000');
putenv('LANTERN_LEAST_SECONDS=0');
$_ENV['LANTERN_SIGNUPS_PER_ADDRESS'] = $_SERVER['LANTERN_SIGNUPS_PER_ADDRESS'] = '1000000';
$_ENV['LANTERN_LEAST_SECONDS'] = $_SERVER['LANTERN_LEAST_SECONDS'] = '0';
$scratch = new Scratch;
$funnel = $scratch->starters($scratch->owner())['give-away'];
app(Publishing::class)->publish($funnel, null);
$address = $scratch->site.'/'.$funnel->address;

/**
 * @param  list<array{string, array<string, string>|null}>  $requests  address and what is posted there
 * @return array{float, array<int, int>} seconds, and answers by their state
 */
$run = function (array $requests) use ($atOnce): array {
    $multi = curl_multi_init();
    $states = [];
    $next = function () use (&$requests, $multi): void {
        [$url, $post] = array_shift($requests) ?? [null, null];
        if ($url === null) {
            return;
        }
        $curl = curl_init($url);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_USERAGENT => 'Mozilla/5.0 Chrome/140.0', CURLOPT_TIMEOUT => 60]);
        if ($post !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, http_build_query($post));
        }
        curl_multi_add_handle($multi, $curl);
    };
    $start = hrtime(true);
    for ($i = 0; $i < $atOnce; $i++) {
        $next();
    }
    do {
        curl_multi_exec($multi, $running);
        while ($done = curl_multi_info_read($multi)) {
            $state = (int) curl_getinfo($done['handle'], CURLINFO_RESPONSE_CODE);
            $states[$state] = ($states[$state] ?? 0) + 1;
            curl_multi_remove_handle($multi, $done['handle']);
            $next();
            $running = 1;
        }
        curl_multi_select($multi, 0.05);
    } while ($running > 0);

    return [(hrtime(true) - $start) / 1e9, $states];
};

$forms = [];
for ($i = 0; $i < $count; $i++) {
    preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', (string) file_get_contents($address), $m);
    $forms[] = [$address, ['email' => "load{$i}@example.com", 'first_name' => "Load {$i}"] + array_combine($m[1], $m[2])];
}
$empty = fn (): array => array_fill(0, $count, [$scratch->site.'/up', null]);
$run($empty());
[$nothing] = $run($empty());
[$took, $states] = $run($forms);
$row = fn (string $table): int => DB::table($table)->count();
$left = $row('received_signups');
$start = hrtime(true);
app(TakeWrittenDown::class)->work(CarbonImmutable::now());
$rest = (hrtime(true) - $start) / 1e9;
printf("%d at once\nempty route     %7.1f a second\nsign-ups        %7.1f a second, %.2f times as long as the empty route\n"
    ."then %d were left to take in, which took one process %.2f times as long as the empty route did for all: %.2f a sign-up\n", $atOnce,
    $count / $nothing, $count / $took, $took / $nothing, $left, $rest / $nothing, $left === 0 ? 0 : $rest / $left / $nothing * $count);
printf("answers: %s\nkept: %d people, %d submissions, %d joined, %d emails planned, %d files handed over\n", json_encode($states),
    $row('people'), $row('submissions'), DB::table('events')->where('type', 'joined')->count(), $row('messages'), $row('deliveries'));
exit($states === [303 => $count] && $row('people') === $count && $row('submissions') === $count && $row('messages') === $count
    && $row('deliveries') === $count ? 0 : 1);
