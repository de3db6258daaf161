<?php

declare(strict_types=1);

use App\Automation\OwnerRules;
use App\Automation\RuleWork;
use App\Journey\BusinessRules;
use App\Models\Person;
use App\People\Tags\Tagging;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Checks\RuleLoops;
use Lantern\Core\Support\Shape;

/*
 * Events through rules: tags given by hand with no rule, with fifty that wait for something else, and with fifty that all act; ten thousand
 * people at one moment; and the search for rules that go round, among two hundred.
 *
 *   php bench/rules.php [EVENTS] [PEOPLE]
 *
 * Everything is a ratio to the same event without any rule, in the same run on the same database.
 */

require __DIR__.'/Scratch.php';

$events = (int) ($argv[1] ?? 200);
$people = (int) ($argv[2] ?? 10_000);
$scratch = new Scratch;
$owner = $scratch->owner();
$business = $owner->business;
config(['queue.default' => 'null']);
DB::disableQueryLog();
$now = CarbonImmutable::now();
DB::statement("with recursive n(i) as (select 1 union all select i + 1 from n where i < {$people})
    insert into people (id, business_id, email, email_key, first_name, first_key, joined_at, marketing)
    select printf('01p%023d', i), {$business->id}, 'p' || i || '@example.com', 'p' || i || '@example.com', 'Person' || i, 'person' || i,
        strftime('%Y-%m-%d %H:%M:%f', 'now'), 1 from n");
$rule = fn (int $i, string $on): array => ['name' => "Rule {$i}", 'when' => [['kind' => 'tag', 'tag' => $on]],
    'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'bought', 'not' => true]]],
    'acts' => [['kind' => 'tag', 'tag' => "Done {$i}"]]];
$row = function (string $what, string $figure): void {
    printf("%-72s %s\n", $what, $figure);
};
/** Milliseconds for one event, in the median of the events; what follows from it is not in it. */
$tag = function (string $name, int $from) use ($events, $now): float {
    $times = [];
    foreach (Person::query()->with('business')->orderBy('id')->offset($from)->limit($events)->get() as $person) {
        $start = hrtime(true);
        app(Tagging::class)->add($person, $name, $now);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv(count($times), 2)];
};
$tag('Warm up', 0);
$none = $tag('Plain', 0);
$row('a tag by hand, no rules', sprintf('%.2f ms, 1', $none));
for ($i = 1; $i <= 50; $i++) {
    app(OwnerRules::class)->add($business, $rule($i, 'Another'));
}
app(BusinessRules::class)->forget();
$row('the same, fifty rules that wait for something else', sprintf('%.2f', $tag('Waits', 0) / $none));
foreach (app(BusinessRules::class)->of($business->id) as $i => $one) {
    DB::table('business_rules')->where('id', $one->id)->update(['definition' => json_encode($rule($i + 1, 'Go'))]);
}
app(BusinessRules::class)->forget();
$row('the same, fifty rules that it sets off: written down', sprintf('%.2f', $tag('Go', 0) / $none));
$start = hrtime(true);
$acted = app(RuleWork::class)->work(CarbonImmutable::now());
$row('one of them acts', sprintf('%.2f (%d of them)', (hrtime(true) - $start) / 1e6 / $acted / $none, $acted));

DB::table('rule_runs')->delete();
$first = app(BusinessRules::class)->of($business->id)[0]->id;
DB::statement('insert into rule_runs (business_id, rule_id, person_id, occurrence, why, happened_at, due_at) select business_id, ?, id, '
    ."'x' || id, 'Joined.', ?, ? from people", [$first, $now->format('Y-m-d H:i:s.v'), $now->format('Y-m-d H:i:s.v')]);
$start = hrtime(true);
$all = 0;
while (($some = app(RuleWork::class)->work(CarbonImmutable::now())) > 0) {
    $all += $some;
}
$row("{$all} people at one moment, each", sprintf('%.2f', (hrtime(true) - $start) / 1e6 / max(1, $all) / $none));

$ring = array_map(fn (int $i): AutomationRule => AutomationRule::fromShape(Shape::of(['id' => "r{$i}", 'name' => "R{$i}",
    'eachTime' => true, 'when' => [['kind' => 'tag', 'tag' => "t{$i}"]], 'acts' => [['kind' => 'untag', 'tag' => "t{$i}"],
        ['kind' => 'tag', 'tag' => 't'.($i + 1) % 200]]])), range(0, 199));
$start = hrtime(true);
$loops = RuleLoops::of([], $ring);
$row('two hundred rules in one ring are found', sprintf('%.1f (%d loop)', (hrtime(true) - $start) / 1e6 / $none, count($loops)));
