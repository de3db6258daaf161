<?php

declare(strict_types=1);

use App\Models\Experiment;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Experiments\SplitTest;

/*
 * Visitors for a split test that runs in the demo: they come to its page day by day, see the variant that falls to them, and join as
 * often as is said. So one can watch how it is not called too early, and called rightly later.
 *
 *   php bench/visitors.php [DAYS] [A DAY] [RATE OF A] [RATE OF THE OTHERS]
 *
 * They come through the front door, the application itself, with a clock that is moved; the test is said to have begun as many days ago.
 */

$root = dirname(__DIR__);
require $root.'/vendor/autoload.php';
[$days, $each, $rateA, $rateB] = [(int) ($argv[1] ?? 10), (int) ($argv[2] ?? 60), (float) ($argv[3] ?? 0.3), (float) ($argv[4] ?? 0.42)];
foreach (['DB_DATABASE' => "{$root}/storage/app/demo/lantern.sqlite", 'UPLOADS_PATH' => "{$root}/storage/app/demo/uploads",
    'LANTERN_DEMO' => 'true', 'LOG_CHANNEL' => 'stderr'] as $name => $value) {
    if (getenv($name) === false) {
        putenv("{$name}={$value}");
        $_ENV[$name] = $_SERVER[$name] = $value;
    }
}
$app = require $root.'/bootstrap/app.php';
$app->make(Console::class)->bootstrap();
config(['queue.default' => 'null']);
$test = Experiment::query()->with('funnel')->whereNull('ended_at')->where('tested', 'page')->where('goal', 'signup')
    ->orderByDesc('started_at')->first();
if ($test === null) {
    fwrite(STDERR, "No split test of a page runs that wants sign-ups. Start one: Results, Split tests.\n");
    exit(1);
}
$chrome = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36';
$kernel = $app->make(Kernel::class);
$site = $test->funnel->url();
$address = (string) DB::table('published_pages')->where('version_id', $test->funnel->live_version_id)->where('page_id', $test->part_id)
    ->where('variant', '')->value('address');
$url = $test->funnel->url($address);
$begin = CarbonImmutable::now()->subDays($days);
Experiment::query()->whereKey($test->id)->update(['started_at' => min($begin, $test->started_at)->format('Y-m-d H:i:s.v')]);
$ask = function (string $method, string $url, array $data, string $visitor) use ($kernel, $chrome) {
    $request = Request::create($url, $method, $data, ['lantern_visitor' => $visitor], [], ['HTTP_USER_AGENT' => $chrome,
        'REMOTE_ADDR' => '192.0.2.'.random_int(1, 254)]);
    $response = $kernel->handle($request);
    $kernel->terminate($request, $response);

    return $response;
};
for ($day = 0; $day < $days; $day++) {
    for ($i = 0; $i < $each; $i++) {
        CarbonImmutable::setTestNow($begin->addDays($day)->addSeconds(random_int(0, 86_000)));
        $visitor = bin2hex(random_bytes(16));
        $html = (string) $ask('GET', $url, [], $visitor)->getContent();
        preg_match('/data-variant="([a-e])"/', $html, $m);
        $letter = $m[1] ?? '';
        $ask('POST', parse_url($site, PHP_URL_SCHEME).'://'.parse_url($site, PHP_URL_HOST).'/m/view', ['funnel' => $test->funnel_id,
            'page' => $test->part_id, 'visitor' => $visitor, 'variant' => $letter], $visitor);
        if (random_int(1, 1_000_000) > 1_000_000 * ($letter === SplitTest::ORIGINAL ? $rateA : $rateB)) {
            continue;
        }
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $hidden);
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addSeconds(40));
        $ask('POST', $url, ['email' => substr($visitor, 0, 12).'@example.com', 'visitor' => $visitor]
            + array_combine($hidden[1], array_map(html_entity_decode(...), $hidden[2])), $visitor);
    }
    CarbonImmutable::setTestNow();
    $counted = DB::table('experiment_people')->where('experiment_id', $test->id)->groupBy('variant')
        ->selectRaw('variant, count(*) as n, count(joined_after) as j')->get();
    printf("day %d: %s\n", $day + 1,
        $counted->map(fn (object $r): string => strtoupper((string) $r->variant)." {$r->n} seen, {$r->j} joined")
            ->implode('; '));
}
