<?php

declare(strict_types=1);

use App\Models\Person;
use App\Support\Ids;
use App\Warmth\Scores;
use App\Warmth\Suggestions;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\Weights;

/*
 * Warmth of very many people: everybody added up for the first time and again after a day, one person who does something, other weights
 * tried on the screen, and what the owner's own sales say.
 *
 *   php bench/warmth.php [PEOPLE] [FACTS]        100,000 people and 3,000,000 facts unless given
 *
 * Ratios are to reading every fact once in plain SQL, done in the same run.
 */

require __DIR__.'/Scratch.php';

[$people, $facts] = [(int) ($argv[1] ?? 100_000), (int) ($argv[2] ?? 3_000_000)];
$scratch = new Scratch;
$business = $scratch->owner()->business;
$now = CarbonImmutable::now();
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
DB::connection()->disableQueryLog();
foreach (['journal_mode = memory', 'synchronous = off', 'cache_size = -600000', 'temp_store = memory'] as $pragma) {
    DB::statement("pragma {$pragma}");
}

// Everybody joined in the last two years and did something on many days since; one in twenty bought.
mt_srand(5);
$actions = array_map(fn (Action $a): string => $a->value, array_values(array_filter(Action::cases(),
    fn (Action $a): bool => ! in_array($a, [Action::Joined, Action::Bought], true))));
$days = array_map(fn (int $ago): string => $now->subDays($ago)->format('Y-m-d'), range(0, 730));
$written = 0;
DB::beginTransaction();
for ($i = 0; $i < $people; $i++) {
    $ago = mt_rand(1, 730);
    $id = Ids::next();
    DB::table('people')->insert(['id' => $id, 'business_id' => $business->id, 'email' => "p{$i}@example.com",
        'email_key' => "p{$i}@example.com", 'joined_at' => "{$days[$ago]} 09:00:00.000", 'created_at' => $now, 'updated_at' => $now]);
    $rows = ["joined{$days[$ago]}" => ['person_id' => $id, 'action' => 'joined', 'day' => $days[$ago]]];
    if (mt_rand(1, 20) === 1) {
        $day = $days[mt_rand(0, $ago)];
        $rows["bought{$day}"] = ['person_id' => $id, 'action' => 'bought', 'day' => $day];
    }
    $wanted = (int) ($facts / $people);
    for ($try = 0; count($rows) < $wanted && $try < 3 * $wanted; $try++) {
        [$action, $day] = [$actions[mt_rand(0, count($actions) - 1)], $days[mt_rand(0, $ago)]];
        $rows[$action.$day] = ['person_id' => $id, 'action' => $action, 'day' => $day];
    }
    foreach (array_chunk(array_values($rows), 300) as $some) {
        DB::table('warm_days')->insert($some);
    }
    $written += count($rows);
}
DB::commit();
DB::statement('analyze');
printf("%s people, %s facts, %d MB\n", number_format($people), number_format($written),
    filesize((string) config('database.connections.sqlite.database')) >> 20);

$plain = $seconds(fn () => DB::selectOne('select count(*) as n, sum(length(action) + length(day) + length(person_id)) as x from '
    .'warm_days'));
$say = fn (string $what, float $took) => printf("%-62s %8.2f times %10.1f ms\n", $what, $took / $plain, $took * 1000);
$say('every fact read once, in plain SQL', $plain);
$scores = app(Scores::class);
$say('everybody added up for the first time', $seconds(fn () => $scores->refresh($business, $now)));
$say('everybody added up a day later', $seconds(fn () => $scores->refresh($business, $now->addDay())));
$one = Person::query()->where('business_id', $business->id)->skip(intdiv($people, 2))->firstOrFail();
$say('one person who did something', $seconds(fn () => Scores::follow($one->id, $business, $now)));
$weights = Weights::of(['clicked' => 40], 7);
$say('other weights tried: the twenty who move most', $seconds(fn () => $scores->preview($business, $weights, $now, 20)));
$say('what the owner’s own sales say', $seconds(fn () => Suggestions::of($business, $now)));
$say('the same again that day', $seconds(fn () => Suggestions::of($business, $now)));
printf("%d MB of memory at the most\n", memory_get_peak_usage(true) >> 20);
