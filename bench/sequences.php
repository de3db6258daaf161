<?php

declare(strict_types=1);

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Mail\Sending\MessageSender;
use App\Mail\Sequences\Replanner;
use App\Models\DraftPart;
use App\Models\Message;
use App\Models\SequencePause;
use App\Publishing\Publishing;
use App\Results\FunnelNumbers;
use App\Support\Ids;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;

/*
 * How a sequence does that many are in: publishing a change of it, saying beforehand whom it affects, pausing and going
 * on, and what an hour of a lost connection costs.
 *
 *   php bench/sequences.php [PEOPLE]
 *
 * Half of the people are in the middle of it, half have had its last email. Everything is a ratio to something plain
 * that is done in the same run on the same database.
 */

require __DIR__.'/Scratch.php';

$people = (int) ($argv[1] ?? 100_000);
$scratch = new Scratch;
$owner = $scratch->owner();
$funnel = $scratch->starters($owner)['give-away'];
$business = $owner->business;
$business->forceFill(['messages_per_minute' => 1_000_000])->save();
config(['queue.default' => 'null']);
DB::disableQueryLog();

$time = function (callable $work): float {
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
};
$row = function (string $what, string $figure): void {
    printf("%-78s %s\n", $what, $figure);
};

$sequence = DraftPart::there($funnel->id, 'sequence')->firstOrFail();
foreach ([2, 4, 6, 8] as $days) {
    DraftRows::add($funnel, new EmailPlan(Ids::next(), "Day {$days}", 'Hello {{first_name|there}}',
        '<p>Words, and <a href="https://ferncroft.example/read">more words</a>.</p>', Delay::days($days, 9), $sequence->id));
}
app(Publishing::class)->publish($funnel->refresh(), null);
$version = $funnel->refresh()->liveVersion ?? throw new RuntimeException('not live');

echo "Putting {$people} people into a sequence …\n";
DB::statement("with recursive n(i) as (select 1 union all select i + 1 from n where i < {$people})
    insert into people (id, business_id, email, email_key, first_name, first_key, joined_at, marketing, timezone)
    select printf('01p%023d', i), {$business->id}, 'p' || i || '@example.com', 'p' || i || '@example.com', 'Person' || i, 'person' || i,
        strftime('%Y-%m-%d %H:%M:%f', 'now'), 1,
        case i % 3 when 0 then 'Europe/Berlin' when 1 then 'America/Chicago' else null end from n");
DB::statement('insert into enrolments (person_id, sequence_id, funnel_id, started_at) select id, ?, ?, case when rowid % 2 = 0 then '
    ."strftime('%Y-%m-%d %H:%M:%f', 'now', '-3 days') else strftime('%Y-%m-%d %H:%M:%f', 'now', '-30 days') end from people",
    [$sequence->id, $funnel->id]);
foreach ($version->plan()->emailsOf($sequence->id) as $i => $email) {
    DB::statement('insert into messages (id, business_id, person_id, funnel_id, version_id, email_id, sequence_id, kind, unique_key, '
        ."name, to_address, state, due_at, created_at, updated_at)
        select lower(hex(randomblob(13))), {$business->id}, people.id, ?, ?, ?, ?, 'sequence', 'sequence:' || ? || ':' || people.id, ?,
            people.email, case when people.rowid % 2 = 0 and ? > 1 then 'waiting' else 'sent' end,
            strftime('%Y-%m-%d %H:%M:%f', 'now', ?), '2026-01-01', '2026-01-01' from people",
        [$funnel->id, $version->id, $email->id, $sequence->id, $email->id, $email->name, $i, sprintf('%+d days', $i * 2 - 3)]);
}
DB::statement('analyze');
$waiting = fn (): int => Message::query()->where('state', MessageState::Waiting)->count();

$now = CarbonImmutable::now();
$count = $waiting();
DB::beginTransaction();
$bare = $time(fn () => Message::query()->where('state', MessageState::Waiting)
    ->update(['due_at' => $now->addDays(9)->format('Y-m-d H:i:s.v')]));
DB::rollBack();

DraftPart::there($funnel->id, 'email')->where('name', 'Day 6')->firstOrFail()->change(['timing' => ['from' => 'joining', 'days' => 7,
    'hour' => 9]])->save();
DraftRows::add($funnel, new EmailPlan(Ids::next(), 'Day 10', 'x', '<p>New.</p>', Delay::days(10, 9), $sequence->id));
$replanner = app(Replanner::class);
$plan = DraftPlan::read($funnel->refresh());
$affected = [];
$took = $time(function () use ($replanner, $funnel, $plan, $now, &$affected): void {
    $affected = $replanner->preview($funnel, $plan, $now);
});
$row('saying whom a change affects ('.number_format($affected[0]['people'] ?? 0).' people), to a bare update of their '
    .number_format($count).' messages', sprintf('%.2f   (%.0f ms)', $took / $bare, $took));
foreach ($affected[0]['sentences'] ?? [] as $sentence) {
    echo "    {$sentence}\n";
}
$published = $time(fn () => app(Publishing::class)->publish($funnel, null));
$row('publishing it, as its owner waits for it', sprintf('%.2f   (%.0f ms)', $published / $bare, $published));
$version = $funnel->refresh()->liveVersion ?? throw new RuntimeException('not live');
$took = $time(fn () => $replanner->apply($version, $now));
$row('carrying it to everybody, by a worker', sprintf('%.2f   (%.0f µs a person)', $took / $bare, $took * 1000 / ($people / 2)));
$again = $time(fn () => $replanner->apply($version, $now));
$row('the same once more, with nothing left to do', sprintf('%.2f', $again / $bare));

SequencePause::query()->create(['sequence_id' => $sequence->id, 'paused_at' => $now->subDay()]);
$pieces = 0;
$took = $time(function () use ($replanner, $sequence, &$pieces): void {
    do {
        $pieces++;
    } while ($replanner->goOn($sequence->id, CarbonImmutable::now()));
});
$row('going on after a day of standing still, by a worker',
    sprintf('%.2f   (%.0f µs a person)', $took / $bare, $took * 1000 / ($people / 2)));

$numbers = new FunnelNumbers;
$screen = $time(function () use ($numbers, $funnel): void {
    $numbers->byEmail($funnel);
    $numbers->bySequence($funnel);
    $numbers->byPage($funnel);
});
$row('the numbers on the timeline, with '.number_format(Message::query()->count()).' messages',
    sprintf('%.2f   (%.0f ms)', $screen / $bare, $screen));

Message::query()->where('state', MessageState::Waiting)
    ->update(['due_at' => $now->subMinute()->format('Y-m-d H:i:s.v'), 'queued_at' => null]);
$postman = app(MessageSender::class);
$took = $time(fn () => $postman->queueDue());
$row('queueing the next 500 of '.number_format($waiting()).' that are due', sprintf('%.0f ms', $took));
$ids = Message::query()->whereNotNull('queued_at')->limit(500)->pluck('id');
$took = $time(function () use ($ids, $postman): void {
    foreach ($ids as $id) {
        $postman->send((string) $id);
    }
});
$sent = Message::query()->whereIn('id', $ids)->where('state', MessageState::Sent)->count();
$row("writing and handing over {$sent} emails, one worker, to the outbox", sprintf('%.0f a second', $sent / $took * 1000));
