<?php

declare(strict_types=1);

use App\Mail\Broadcasts\Broadcasting;
use App\Models\Broadcast;
use App\Models\DraftPart;
use App\Models\Import;
use App\Models\Message;
use App\People\Import\ImportFile;
use App\People\Import\Importing;
use App\People\Import\ImportUndo;
use App\People\Segments\SegmentQuery;
use App\Support\Ids;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Shape;

/*
 * How people and emails do at size: a hundred thousand people with three million events.
 *
 *   php bench/people.php [PEOPLE] [EVENTS]
 *
 * Everything is a ratio to something plain that is done in the same run on the same database.
 */

require __DIR__.'/Scratch.php';

[$people, $events] = [(int) ($argv[1] ?? 100_000), (int) ($argv[2] ?? 3_000_000)];
$scratch = new Scratch;
$owner = $scratch->owner();
$funnel = $scratch->starters($owner)['give-away'];
$page = (string) DraftPart::there($funnel->id, 'page')->value('id');
$business = $owner->business;
config(['queue.default' => 'null']);

$time = function (callable $work): float {
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
};
$median = function (callable $work, int $times = 7) use ($time): float {
    $took = array_map(fn (): float => $time($work), range(1, $times));
    sort($took);

    return $took[intdiv($times, 2)];
};
$row = function (string $what, string $figure): void {
    printf("%-78s %s\n", $what, $figure);
};

$make = function (int $from, int $to, int $events) use ($business, $page, $funnel): void {
    DB::statement("with recursive n(i) as (select {$from} union all select i + 1 from n where i < {$to})
        insert into people (id, business_id, email, email_key, first_name, last_name, first_key, last_key, joined_at, active_at,
            marketing, unsubscribed_at)
        select printf('01p%023d', i), {$business->id}, 'p' || i || '@example.com', 'p' || i || '@example.com', 'Person' || i, 'Ash',
            'person' || i, 'ash',
            strftime('%Y-%m-%d %H:%M:%f', 'now', '-' || (i % 700) || ' days'), strftime('%Y-%m-%d %H:%M:%f', 'now',
                '-' || (i % 90) || ' days'), 1, case when i % 20 = 0 then strftime('%Y-%m-%d %H:%M:%f', 'now') end from n");
    foreach ([1 => 3, 2 => 50] as $tag => $every) {
        DB::statement("insert or ignore into person_tag (person_id, tag_id, tagged_at) select id, {$tag}, joined_at from people where "
            ."rowid % {$every} = 0");
    }
    // Without their indexes while they are filled, or this would take longer than all the rest.
    $indexes = DB::table('sqlite_master')->where('type', 'index')->where('tbl_name', 'events')->whereNotNull('sql')->pluck('sql', 'name');
    foreach ($indexes->keys() as $index) {
        DB::statement("drop index {$index}");
    }
    DB::statement("with recursive n(i) as (select 1 union all select i + 1 from n where i < {$events})
        insert into events (business_id, type, funnel_id, page_id, person_id, at) select {$business->id},
            case i % 5 when 0 then 'downloaded' when 1 then 'clicked' else 'viewed' end, '{$funnel->id}', '{$page}',
            printf('01p%023d', 1 + (i * 7919) % {$to}), strftime('%Y-%m-%d %H:%M:%f', 'now', '-' || (i % 500) || ' days') from n");
    foreach ($indexes as $sql) {
        DB::statement($sql);
    }
    DB::statement('analyze');
};
Auth::login($owner);
$kernel = app(Kernel::class);
$screen = function (string $path) use ($kernel, $owner): void {
    $request = Request::create("/studio/api/{$path}", server: ['HTTP_ACCEPT' => 'application/json']);
    Auth::setUser($owner);
    $response = $kernel->handle($request);
    $response->getStatusCode() === 200
        || throw new RuntimeException("{$path}: {$response->getStatusCode()} ".substr((string) $response->getContent(), 0, 300));
};
$screens = ['first page, newest first' => 'people', 'the last page' => 'people?page=999999', 'by name' => 'people?sort=name',
    'those with a tag' => 'people?tag=1', 'a search that finds some' => 'people?search=p77',
    'one person’s history' => 'people/'.sprintf('01p%023d', 77), 'submissions' => 'submissions', 'messages' => 'messages',
    'results' => "funnels/{$funnel->id}/results"];
$times = fn (): array => array_map(fn (string $path): float => $median(fn () => $screen($path)), $screens);

DB::table('tags')->insert([['id' => 1, 'business_id' => $business->id, 'name' => 'Cellist', 'name_key' => 'cellist'],
    ['id' => 2, 'business_id' => $business->id, 'name' => 'VIP', 'name_key' => 'vip']]);
$make(1, 1000, 30_000);
$small = $times();
echo "Making {$people} people with {$events} events …\n";
$make(1001, $people, $events - 30_000);

echo "\nCounting segments, as a ratio to the plain SQL somebody would write by hand\n";
$query = new SegmentQuery($business, CarbonImmutable::now());
$since = CarbonImmutable::now()->subDays(30)->format('Y-m-d H:i:s.v');
$segments = [
    'has a tag' => [[['kind' => 'tag', 'tag' => 'Cellist']],
        "select count(*) from people join person_tag on person_id = people.id and tag_id = 1 where business_id = {$business->id}"],
    'saw a page in the last 30 days' => [[['kind' => 'deed', 'deed' => 'viewed', 'with' => $page, 'days' => 30]],
        "select count(*) from people where business_id = {$business->id} and exists (select 1 from events where person_id = people.id "
            ."and type = 'viewed' and page_id = '{$page}' and at >= '{$since}')"],
    'has a tag, joined within 100 days, did not download in 30' => [[['kind' => 'tag', 'tag' => 'Cellist'],
        ['kind' => 'date', 'date' => 'joined', 'compare' => 'within', 'days' => 100],
        ['kind' => 'deed', 'deed' => 'downloaded', 'not' => true, 'days' => 30]],
        "select count(*) from people where business_id = {$business->id} and joined_at >= '"
            .CarbonImmutable::now()->subDays(100)->format('Y-m-d H:i:s.v')
            ."' and exists (select 1 from person_tag where person_id = people.id and tag_id = 1) and not exists (select 1 from events "
                ."where person_id = people.id and type = 'downloaded' and at >= '{$since}')"],
];
foreach ($segments as $name => [$rules, $sql]) {
    $group = Group::fromArray(['all' => true, 'rules' => $rules]);
    $ours = $plain = [];
    // In turn, so that neither has the warmer cache.
    for ($i = 0; $i < 5; $i++) {
        $plain[] = $time(fn () => DB::selectOne($sql));
        $ours[] = $time(fn () => $query->count($group));
    }
    sort($plain);
    sort($ours);
    $row("{$name} (".number_format($query->count($group)).' people)', sprintf('%.2f   (%.0f ms)', $ours[2] / $plain[2], $ours[2]));
}

echo "\nScreens, the whole application in this process, as a ratio to the same screen with 1,000 people and 30,000 events\n";
foreach ($times() as $name => $took) {
    $row($name, sprintf('%.2f   (%.0f ms)', $took / $small[$name], $took));
}

echo "\nA broadcast to everybody: planned and queued, per person, as a ratio to a bare insert of as many rows\n";
$broadcast = Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'News', 'subject' => 'News',
    'body' => '<p>x</p>', 'state' => 'scheduled', 'send_at' => CarbonImmutable::now()]);
DB::statement('create table bare (id text primary key, person_id text, state text, due_at text, unique_key text unique)');
$bare = $time(fn () => DB::statement("insert into bare select lower(hex(randomblob(13))), id, 'waiting', '2026-01-01 00:00:00.000', "
    ."'broadcast:x:' || id from people where unsubscribed_at is null"));
$planned = $time(fn () => app(Broadcasting::class)->start($broadcast, CarbonImmutable::now()));
$count = Message::query()->where('broadcast_id', $broadcast->id)->count();
$row(number_format($count).' messages planned', sprintf('%.2f   (%.1f µs a person)', $planned / $bare, $planned * 1000 / max(1, $count)));
$test = Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'Test', 'subject' => 'a',
    'body' => '<p>x</p>', 'settings' => ['otherSubject' => 'b'], 'state' => 'scheduled', 'send_at' => CarbonImmutable::now()]);
$split = $time(fn () => app(Broadcasting::class)->start($test, CarbonImmutable::now()));
$row('the same as a split test on a fifth of them', sprintf('%.2f', $split / $bare));
$again = $time(fn () => DB::table('messages')->where('business_id', $business->id)->where('state', MessageState::Waiting)
    ->where('due_at', '<=', '2999')->whereIn('kind', ['broadcast'])->orderBy('due_at')->limit(500)->pluck('id'));
$row('finding the next 500 that are due', sprintf('%.0f ms', $again));

echo "\nBringing in 100,000 lines\n";
$file = (string) tempnam(sys_get_temp_dir(), 'lantern-bench');
$out = fopen($file, 'w') ?: throw new RuntimeException('no file');
fwrite($out, "Email,First name,Last name,Tags,Level\n");
for ($i = 1; $i <= 100_000; $i++) {
    fwrite($out, $i % 1000 === 0 ? "no address {$i},x,y,,\n" : "new{$i}@example.org,New{$i},\"Ash, {$i}\",Spring;Choir,Beginner\n");
}
fclose($out);
DB::statement('create table bare2 (id text primary key, business_id integer, email text, email_key text unique, first_name text, '
    .'last_name text)');
$bare = $time(function (): void {
    DB::transaction(function (): void {
        for ($i = 0; $i < 1000; $i++) {
            DB::table('bare2')->insert(array_map(fn (int $j): array => ['id' => Ids::next(), 'business_id' => 1,
                'email' => "b{$i}-{$j}@example.org", 'email_key' => "b{$i}-{$j}@example.org", 'first_name' => 'New', 'last_name' => 'Ash'],
                range(1, 100)));
        }
    });
});
$before = memory_get_peak_usage(true);
memory_reset_peak_usage();
$floor = memory_get_usage(true);
$import = null;
$took = $time(function () use ($file, $business, &$import): void {
    $import = app(ImportFile::class)->take($business, new UploadedFile($file, 'list.csv', test: true));
    $importing = app(Importing::class);
    $importing->start($import,
        ImportPlan::fromShape(Shape::of(['columns' => ['email', 'first_name', 'last_name', 'tags', 'level'], 'agreed' => true])));
    while ($importing->piece($import->id)) {
        continue;
    }
});
$done = Import::query()->findOrFail($import?->id ?? '');
$row(number_format($done->added).' added, '.number_format($done->refused).' refused, as a ratio to a bare insert',
    sprintf('%.2f   (%.0f lines a second)', $took / $bare, 100_000 / $took * 1000));
$row('peak memory above what the application takes anyway', sprintf('%.1f MB', (memory_get_peak_usage(true) - $floor) / 1e6));
$undo = app(ImportUndo::class);
$undo->start($done);
$longest = 0.0;
$undone = $time(function () use ($undo, $done, $time, &$longest): void {
    do {
        $longest = max($longest, $time(function () use ($undo, $done, &$more): void {
            $more = $undo->piece($done->id);
        }));
    } while ($more);
});
$row('taking all of it back', sprintf('%.2f   (%.1f s, no transaction longer than %.0f ms)', $undone / $bare, $undone / 1000, $longest));
unlink($file);
