<?php

declare(strict_types=1);

use App\Deadlines\Emails;
use App\Deadlines\MovingRuns;
use App\Drafts\DraftPlan;
use App\Mail\Emails\CountdownPicture;
use App\Models\DraftPart;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Support\Instant;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Page\Look\Looks;

/*
 * Deadlines: their ends, the page that one guards, the picture in an email, moving very many that run, and emails planned
 * around one end.
 *
 *   php bench/deadlines.php [RUNNING]
 *
 * Everything is a ratio to something plain that is done in the same run.
 */

require __DIR__.'/Scratch.php';

$many = (int) ($argv[1] ?? 100_000);
$scratch = new Scratch;
$owner = $scratch->owner();
$funnels = $scratch->starters($owner);
config(['queue.default' => 'null']);
DB::disableQueryLog();
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
$say = fn (string $what, float $took, float $plain, string $more = '') => fprintf(STDOUT, "%-72s %8.2f times%s\n", $what, $took / $plain,
    $more);

// Ends, in the core alone: calendar days in zones with clock changes, to adding as many seconds.
$zones = array_map(fn (string $z): DateTimeZone => new DateTimeZone($z), ['Europe/Oslo', 'America/Chicago', 'Australia/Lord_Howe',
    'Asia/Kathmandu']);
$duration = Duration::days(3, '20:00');
$start = new DateTimeImmutable('2026-01-01 00:00:00', new DateTimeZone('UTC'));
$count = 50_000;
$ends = fn (callable $end): float => $seconds(function () use ($count, $start, $zones, $end): void {
    for ($i = 0; $i < $count; $i++) {
        $end($start->modify('+'.($i * 613).' seconds'), $zones[$i % 4]);
    }
});
$ends(fn (DateTimeImmutable $at, DateTimeZone $z) => $duration->from($at, $z));
$plain = $ends(fn (DateTimeImmutable $at, DateTimeZone $z) => $at->modify('+259200 seconds'));
$took = $ends(fn (DateTimeImmutable $at, DateTimeZone $z) => $duration->from($at, $z));
$say('an end in calendar days, to adding seconds', $took, $plain, sprintf(' (%s a second)', number_format($count / $took)));

// A live funnel, and somebody for whom its deadline runs.
app(Publishing::class)->publish($funnels['sell'], null);
app(Publishing::class)->publish($funnels['give-away'], null);
$funnel = $funnels['sell']->refresh()->load('business');
$deadline = (Version::query()->findOrFail($funnel->live_version_id)->plan()->deadlines)[0]
    ?? throw new LogicException('It has a deadline.');
$business = $owner->business_id;
DB::statement("with recursive n(i) as (select 1 union all select i + 1 from n where i < {$many})
    insert into people (id, business_id, email, email_key, first_name, first_key, joined_at, marketing, timezone)
    select printf('01p%023d', i), {$business}, 'p' || i || '@pupils.example', 'p' || i || '@pupils.example', 'Person' || i, 'person' || i,
        strftime('%Y-%m-%d %H:%M:%f', 'now'), 1,
        case i % 3 when 0 then 'Europe/Oslo' when 1 then 'America/Chicago' else null end from n");
foreach (['deadline_facts' => ['type', "'started'"], 'deadline_runs' => ['number', '1']] as $table => [$column, $value]) {
    $at = $table === 'deadline_facts' ? 'at' : 'started_at';
    DB::statement("insert into {$table} (business_id, funnel_id, deadline_id, name, holder, person_id, {$column}, {$at}, ends_at, why)
        select {$business}, ?, ?, ?, 'p:' || id, id, {$value}, strftime('%Y-%m-%d %H:%M:%f', 'now', '-' || (rowid % 1440) || ' minutes'),
            strftime('%Y-%m-%d %H:%M:%f', 'now', '+' || (1440 + rowid % 1440) || ' minutes'), 'Clicked.' from people",
        [$funnel->id, $deadline->id, $deadline->name]);
}
DB::statement('analyze');

// The page, by turns, so that all have the same machine.
$reader = sprintf('01p%023d', 7);
$ask = function (string $path, string $cookies) use ($scratch): string {
    $context = stream_context_create(['http' => ['header' => "Cookie: {$cookies}", 'follow_location' => 0]]);

    return implode("\n", [...[(string) file_get_contents("{$scratch->site}/{$path}", false, $context)], ...$http_response_header]);
};
$intro = "{$funnel->address}/".collect((Version::query()->findOrFail($funnel->live_version_id)->plan())->pages)
    ->firstOrFail(fn ($p): bool => $deadline->guardedPage($p->id) !== null)->address;
$known = SiteCookie::Reader->value.'='.rawurlencode((string) SiteCookies::give(SiteCookie::Reader, $reader)->getValue());
$pages = ['the regular sales page' => [$funnel->address, ''],
    'an opt-in page' => [$funnels['give-away']->refresh()->address, ''],
    'the guarded page, for whom the deadline runs' => [$intro, $known],
    'the guarded page, leading a stranger on' => [$intro, '']];
str_contains($ask($intro, $known), 'data-until') || throw new LogicException('It does not count down.');
str_contains($ask($intro, ''), '302 Found') || throw new LogicException('A stranger is not led on.');
$times = array_fill_keys(array_keys($pages), []);
for ($i = 0; $i < 80; $i++) {
    foreach ($pages as $name => [$path, $cookies]) {
        $times[$name][] = $seconds(fn () => strlen($ask($path, $cookies)) > 300 ?: throw new LogicException($path));
    }
}
$middle = function (array $all): float {
    sort($all);

    return $all[intdiv(count($all), 2)];
};
foreach (array_slice(array_keys($pages), 1) as $name) {
    $say("{$name}, to the regular sales page", $middle($times[$name]), $middle($times['the regular sales page']));
}

// The picture in an email, to one that is made of the same figures without moving.
$largest = 0;
$still = $seconds(fn () => array_map(fn () => CountdownPicture::of(Looks::get(Looks::DEFAULT), 0, 'en'), range(1, 20)));
$took = $seconds(function () use (&$largest): void {
    foreach (range(1, 20) as $i) {
        $largest = max($largest, strlen(CountdownPicture::of(Looks::get(Looks::DEFAULT), $i * 12_345, 'en')));
    }
});
$say('a countdown picture of sixty seconds, to a still', $took, $still, sprintf(' (%.0f ms, at most %s bytes)', $took * 50,
    number_format($largest)));

// Its rule changes, and the owner chooses that those who are in it follow.
$part = DraftPart::there($funnel->id, 'deadline')->firstOrFail();
$part->change(['duration' => Duration::days(4, '20:00')->toArray()])->save();
$now = CarbonImmutable::now();
DB::beginTransaction();
$plain = $seconds(fn () => DB::table('deadline_runs')->where('deadline_id', $deadline->id)
    ->update(['ends_at' => Instant::sql($now->addDays(3))]));
DB::rollBack();
$moving = app(MovingRuns::class);
$many = number_format($many);
$told = [];
$took = $seconds(function () use ($moving, $funnel, $now, &$told): void {
    $told = $moving->preview($funnel->refresh(), DraftPlan::read($funnel), $now);
});
$say("saying how {$many} running deadlines would move, to one bare update", $took, $plain, sprintf(' (%.0f ms)', $took * 1000));
app(Publishing::class)->publish($funnel->refresh(), null);
$version = Version::query()->with('funnel.business')->findOrFail($funnel->refresh()->live_version_id);
$draft = $version->plan();
$move = function () use ($moving, $version, $deadline, $now): void {
    for ($after = 0; $after !== null;) {
        $after = $moving->move($version, $deadline->id, $after, $now);
    }
};
$took = $seconds($move);
$moved = DB::table('deadline_facts')->where('type', 'moved')->count();
$say('moving them, by a worker', $took, $plain, sprintf(' (%.0f µs each)', $took * 1e6 / $moved));
$moved === $told[0]['earlier'] + $told[0]['later'] || throw new LogicException("Only {$moved} moved.");
$say('the same once more, with nothing left to do', $seconds($move), $plain);
DB::table('deadline_facts')->where('type', 'moved')->count() === $moved || throw new LogicException('Moved twice.');

// Emails about one end.
$emails = array_values(array_filter($draft->emails, fn ($e): bool => $e->byDeadline()?->deadline === $deadline->id));
$some = (int) ceil(10_000 / max(1, count($emails)));
$people = DB::table('people')->limit($some)->pluck('id')->all();
DB::statement('insert into enrolments (person_id, sequence_id, funnel_id, started_at) select id, ?, ?, '
    ."strftime('%Y-%m-%d %H:%M:%f', 'now', '-1 days') from people where id in (select id from people limit {$some})",
    [$emails[0]->sequence, $funnel->id]);
DB::statement('create table bare (id integer primary key, at text, what text)');
$plain = $seconds(fn () => DB::transaction(function (): void {
    for ($i = 0; $i < 10_000; $i++) {
        DB::table('bare')->insert(['at' => '2026-01-01 00:00:00', 'what' => Str::random(20)]);
    }
}));
$follow = fn () => app(Emails::class)->follow($deadline->id, $people);
$before = DB::table('messages')->count();
$took = $seconds($follow);
$planned = DB::table('messages')->where('state', 'waiting')->count();
$say(number_format($planned).' emails planned around one end, to 10,000 bare inserts', $took, $plain, sprintf(' (%.0f µs each)',
    $took * 1e6 / max(1, $planned)));
$say('the same once more, with nothing to do', $seconds($follow), $plain);
DB::table('messages')->where('state', 'waiting')->count() === $planned || throw new LogicException('Planned twice.');
fprintf(STDOUT, "peak memory %.0f MB\n", memory_get_peak_usage() / 1e6);
