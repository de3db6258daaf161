<?php

declare(strict_types=1);

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Publishing\Publishing;
use App\Serving\TakeWrittenDown;
use App\Support\Ids;
use App\Support\SiteCookie;
use Bench\Fpm;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;

/*
 * How many pages a second the application answers behind nginx and php-fpm with opcache, four clients at a time, on two cores that also
 * run the clients: as a ratio to an empty route of the framework, and to a bare PHP script that sends the same bytes. All are measured in
 * turn in one run, the median of several. Beside it the 95th percentile, and the memory of a request.
 *
 *   php bench/front.php [SECONDS OF EACH] [TURNS] [without]      2 and 3 unless given; “without” preloading
 */

require __DIR__.'/Scratch.php';
require __DIR__.'/Fpm.php';

[$seconds, $turns] = [(int) ($argv[1] ?? 2), (int) ($argv[2] ?? 3)];
$scratch = new Scratch;
$owner = $scratch->owner();
$funnels = $scratch->starters($owner);

$sales = DraftPart::there($funnels['sell']->id, 'page')->where('definition->role', PageRole::Sales->value)->firstOrFail();
$document = $sales->definition['document'];
for ($i = 0; count($document['sections']) < 20; $i++) {
    $copy = $document['sections'][$i];
    $copy['id'] = Ids::next();
    $copy['blocks'] = array_map(fn (array $block): array => ['id' => Ids::next()] + $block, $copy['blocks']);
    $document['sections'][] = $copy;
}
$sales->change(['document' => $document])->save();
foreach ($funnels as $funnel) {
    app(Publishing::class)->publish($funnel->refresh(), null);
}
$scratch->reader($owner);
$person = (string) DB::table('people')->value('id');
$visitor = md5('robin');
DB::table('visitor_person')->insert(['visitor' => $visitor, 'person_id' => $person, 'joined_at' => now()]);
$address = fn (string $goal, string $page = ''): string => '/'.$funnels[$goal]->address.($page === '' ? '' : "/{$page}");
$guarded = null;
foreach (DB::table('published_pages')->whereNotNull('deadlines')->where('role', 'sales')->get() as $row) {
    $funnel = Funnel::query()->where('live_version_id', $row->version_id)->firstOrFail();
    $guarded ??= "/{$funnel->address}".($row->address === '' ? '' : "/{$row->address}");
}

$env = array_filter(['APP_ENV' => getenv('APP_ENV'), 'APP_KEY' => getenv('APP_KEY'), 'APP_URL' => $scratch->site,
    'SITE_URL' => $scratch->site, 'STUDIO_URL' => $scratch->site, 'DB_DATABASE' => getenv('DB_DATABASE'),
    'UPLOADS_PATH' => getenv('UPLOADS_PATH'), 'CACHE_STORE' => 'file', 'CACHE_PATH' => getenv('CACHE_PATH'),
    'SESSION_DRIVER' => 'database', 'QUEUE_CONNECTION' => 'database', 'MAIL_MAILER' => 'outbox', 'LANTERN_DEMO' => 'false',
    'LANTERN_FRONT' => getenv('LANTERN_FRONT')],
    is_string(...));
$fpm = new Fpm(dirname(__DIR__), $env, ($argv[3] ?? '') !== 'without');

$join = function (string $page) use ($fpm): string {
    $html = (string) file_get_contents($fpm->site.$page);
    preg_match('/name="token" value="([^"]+)"/', $html, $token);
    preg_match('/name="form" value="([^"]+)"/', $html, $form);
    sleep(2);
    $curl = curl_init($fpm->site.$page);
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true, CURLOPT_USERAGENT => 'Mozilla/5.0 Chrome/140.0',
        CURLOPT_POSTFIELDS => http_build_query(['token' => $token[1] ?? '', 'form' => $form[1] ?? '', 'email' => 'ash@example.com',
            'first_name' => 'Ash'])]);
    preg_match('/^Set-Cookie: ('.SiteCookie::Joined->value.'=[^;]+)/mi', (string) curl_exec($curl), $cookie);

    return $cookie[1] ?? throw new RuntimeException('Nobody could join.');
};
$joined = $join($address('give-away'));
$pages = ['an opt-in page' => [$address('give-away'), ''], 'a sales page of 20 sections' => [$address('sell', (string) $sales->definition[
    'address']), ''], 'an opt-in page, signed up' => [$address('give-away'), $joined],
    'the page after its form, with the file' => [$address('give-away', 'thank-you'), $joined],
    'a page with a deadline that runs' => [(string) $guarded, SiteCookie::Visitor->value."={$visitor}"],
    'a registration page' => [$address('webinar'), ''], 'not there' => ['/nothing-here', '']];
$entry = DB::table('published_pages')->where('version_id', $funnels['give-away']->refresh()->live_version_id)->where('address', '')
    ->value('page_id');
$view = "funnel={$funnels['give-away']->id}&page={$entry}&source=utm_source%%3Dtalk&from=";
$rates = $slow = $sizes = [];
foreach ($pages as $name => [$path, $cookie]) {
    // The first is the framework's, which writes down what the next ones need.
    $fpm->keep($name, $path, $cookie);
    $sizes[$name] = $fpm->keep($name, $path, $cookie);
}
for ($turn = 0; $turn < $turns; $turn++) {
    $rates['empty'][] = $fpm->load('/bench/empty', $seconds)['rate'];
    foreach ($pages as $name => [$path, $cookie]) {
        $found = $fpm->load($path, $seconds, $cookie);
        $found['failed'] === 0 || throw new RuntimeException("{$name}: {$found['failed']} failed");
        $rates[$name][] = $found['rate'];
        $slow[$name][] = $found['slow'];
        $rates["bare {$name}"][] = $fpm->load('/bench/bare?'.md5($name), $seconds)['rate'];
    }
    $found = $fpm->load('/m/view', $seconds, '', $view);
    $rates['views'][] = $found['rate'];
    $slow['views'][] = $found['slow'];
    $failed = ($failed ?? 0) + $found['failed'];
    // The next turn begins when all of them are counted, and that takes as long as it takes.
    for ($start = microtime(true); DB::table('seen_views')->where('counted', false)->exists(); usleep(50_000)) {
        // What the last left behind `lantern:due` counts, every ten seconds.
        microtime(true) - $start < 10 ?: app(TakeWrittenDown::class)->work(CarbonImmutable::now());
    }
    $counting[] = microtime(true) - $start;
}
$median = function (array $values): float {
    sort($values);

    return $values[intdiv(count($values), 2)];
};
printf("%-34s %9s %12s %12s %10s %9s %8s\n", '', 'a second', 'empty route', 'bare script', '95 % in', 'memory', 'bytes');
printf("%-34s %9.0f %12.2f %12s %10s %9s\n", 'an empty route of the framework', $median($rates['empty']), 1, '', '',
    number_format($fpm->memory('/bench/empty')).' KB');
foreach ($pages as $name => [$path]) {
    printf("%-34s %9.0f %12.2f %12.2f %10s %9s %8s\n", $name, $median($rates[$name]), $median($rates[$name]) / $median($rates['empty']),
        $median($rates[$name]) / $median($rates["bare {$name}"]), sprintf('%.1f ms', $median($slow[$name])),
        number_format($fpm->memory($path)).' KB', number_format($sizes[$name]));
}
$views = DB::table('events')->where('type', 'viewed');
printf("%-34s %9.0f %12.2f %12s %10s %9s\n%s views counted, %d failed; the last of a turn %.1f s after it\n",
    'a view that its page reports',
    $median($rates['views']), $median($rates['views']) / $median($rates['empty']), '', sprintf('%.1f ms', $median($slow['views'])),
    number_format($fpm->memory('/m/view')).' KB', number_format($views->count()), $failed ?? 0, $median($counting ?? [0.0]));
