<?php

declare(strict_types=1);

namespace App\Mail\Broadcasts;

use App\Models\Broadcast;
use App\Models\Business;
use App\People\Segments\SegmentQuery;
use App\Support\DueWork;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Emails\BroadcastState;
use Lantern\Core\Emails\BroadcastTiming;
use Lantern\Core\Emails\SubjectTest;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\Subscription;
use Lantern\Core\Rules\Group;

/**
 * Takes broadcasts from step to step: scheduled, (testing,) sending, sent. Each step is one transaction that only one
 * worker can begin, and each message has a key that can be used once, so that a step that is broken off and begun again
 * doubles nothing.
 */
final class Broadcasting implements DueWork
{
    private const PIECE = 1000;

    /** Everybody a broadcast may go to: those its rules find who get emails and did not opt out of news. */
    public function audience(Broadcast $broadcast, Business $business, CarbonImmutable $now): Builder
    {
        $query = (new SegmentQuery($business, $now))->people(Group::fromArray($broadcast->audience))->where('people.owner_try', false)
            ->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from('opt_outs')->whereColumn('opt_outs.person_id', 'people.id')
                ->where('what', 'broadcasts'));
        SegmentQuery::subscription($query, Subscription::Subscribed);

        return $query;
    }

    public function task(): Task
    {
        return Task::Broadcasts;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $some = fn (BroadcastState ...$states) => Broadcast::query()->whereIn('state', $states)->whereNull('deleted_at');
        // Whether a test has run, or the last of it has gone, is told by its messages.
        $moments = $some(BroadcastState::Testing, BroadcastState::Sending)->exists() ? [$now] : [];
        foreach ($some(BroadcastState::Sent)->whereNull('again_at')->whereNotNull('started_at')->get() as $broadcast) {
            $at = BroadcastTiming::againAt($broadcast->plan(), $broadcast->started_at);
            $moments[] = $at === null ? null : CarbonImmutable::instance($at);
        }
        $moments = array_filter([...$moments, Instant::carbon($some(BroadcastState::Scheduled)->toBase()->min('send_at'))]);

        return $moments === [] ? null : min($moments);
    }

    /** Does whatever is due for all broadcasts. */
    public function work(CarbonImmutable $now): int
    {
        $changed = 0;
        $due = fn (BroadcastState $state) => Broadcast::query()->where('state', $state)->whereNull('deleted_at');
        foreach ($due(BroadcastState::Scheduled)->where('send_at', '<=', Instant::sql($now))->get() as $broadcast) {
            $changed++;
            $this->start($broadcast, $now);
        }
        foreach ($due(BroadcastState::Testing)->get() as $broadcast) {
            if ($this->hasRun($broadcast, $now)) {
                $changed++;
                $this->pick($broadcast, $now);
            }
        }
        foreach ($due(BroadcastState::Sending)->get() as $broadcast) {
            if (! DB::table('messages')->where('broadcast_id', $broadcast->id)
                ->whereIn('state', [MessageState::Waiting, MessageState::Sending])->exists()) {
                $changed += Broadcast::query()->where('id', $broadcast->id)->where('state', BroadcastState::Sending)
                    ->update(['state' => BroadcastState::Sent]);
            }
        }
        foreach ($due(BroadcastState::Sent)->whereNull('again_at')->get() as $broadcast) {
            $at = BroadcastTiming::againAt($broadcast->plan(), $broadcast->started_at);
            if ($at !== null && BroadcastTiming::isDue($at, $now)) {
                $changed++;
                $this->again($broadcast, $now);
            }
        }

        return $changed;
    }

    private function hasRun(Broadcast $broadcast, CarbonImmutable $now): bool
    {
        $test = fn () => DB::table('messages')->where('broadcast_id', $broadcast->id);
        $due = $test()->whereIn('state', [MessageState::Waiting, MessageState::Sending])->where('due_at', '<=',
            Instant::sql($now))->exists();

        return BroadcastTiming::hasRun($broadcast->plan(), $broadcast->started_at, $due,
            Instant::carbon($test()->where('state', MessageState::Sent)->max('sent_at')), $now);
    }

    public function start(Broadcast $broadcast, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($broadcast, $now): void {
            $test = $broadcast->plan()->isTest();
            if (Broadcast::query()->where('id', $broadcast->id)->where('state', BroadcastState::Scheduled)
                ->update(['state' => $test ? BroadcastState::Testing : BroadcastState::Sending,
                    'started_at' => Instant::sql($now)]) === 0) {
                return;
            }
            $business = Business::query()->findOrFail($broadcast->business_id);
            $test ? $this->planTest($broadcast, $business, $now) : $this->planAll($broadcast, $business, $now, null);
        });
    }

    /** Only the share that takes part in the test, each with one of the two subjects. */
    private function planTest(Broadcast $broadcast, Business $business, CarbonImmutable $now): void
    {
        $plan = $broadcast->plan();
        $stamp = Instant::sql($now);
        $last = '';
        do {
            $people = (clone $this->audience($broadcast, $business, $now))->where('people.id', '>', $last)->orderBy('people.id')
                ->limit(self::PIECE)->get(['people.id', 'people.email']);
            $rows = [];
            foreach ($people as $person) {
                $last = (string) $person->id;
                $variant = $plan->variant($broadcast->id, $last);
                if ($variant !== null) {
                    $rows[] = ['id' => Ids::next(), 'business_id' => $business->id, 'person_id' => $last, 'broadcast_id' => $broadcast->id,
                        'funnel_id' => $broadcast->funnel_id, 'variant' => $variant, 'kind' => MessageKind::Broadcast->value,
                        'unique_key' => "broadcast:{$broadcast->id}:{$last}", 'name' => $broadcast->name, 'to_address' => $person->email,
                        'subject' => '', 'state' => MessageState::Waiting, 'due_at' => $stamp, 'created_at' => $stamp,
                        'updated_at' => $stamp];
                }
            }
            foreach (array_chunk($rows, 200) as $some) {
                DB::table('messages')->insertOrIgnore($some);
            }
        } while (count($people) === self::PIECE);
    }

    /** Everybody who has not got it yet, in one statement. */
    private function planAll(Broadcast $broadcast, Business $business, CarbonImmutable $now, ?string $variant): void
    {
        $stamp = Instant::sql($now);
        // An id of 26 small hexadecimal digits is one of ours, too.
        DB::table('messages')->insertOrIgnoreUsing(
            ['id', 'business_id', 'person_id', 'broadcast_id', 'funnel_id', 'variant', 'kind', 'unique_key', 'name', 'to_address', 'state',
                'due_at', 'created_at', 'updated_at'],
            $this->audience($broadcast, $business, $now)->whereNotExists(fn (Builder $q) => self::got($q, $broadcast))
                ->selectRaw("lower(hex(randomblob(13))), people.business_id, people.id, ?, ?, ?, 'broadcast', 'broadcast:' || ? || ':' "
                    ."|| people.id, ?, people.email, 'waiting', ?, ?, ?",
                    [$broadcast->id, $broadcast->funnel_id, $variant, $broadcast->id, $broadcast->name, $stamp, $stamp, $stamp]),
        );
    }

    /** It was planned for them already, perhaps while they were somebody else: of two people one was made. */
    private static function got(Builder $query, Broadcast $broadcast): Builder
    {
        return $query->selectRaw('1')->from('messages')->whereColumn('messages.person_id', 'people.id')
            // One person has few messages, a broadcast has a hundred thousand: it must be looked up by the person.
            ->whereRaw("coalesce(messages.broadcast_id, '') = ?", [$broadcast->id]);
    }

    /** The test is over: the better subject goes to the rest. */
    public function pick(Broadcast $broadcast, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($broadcast, $now): void {
            $plan = $broadcast->plan();
            $numbers = $this->variants($broadcast->id);
            $hits = fn (string $v): array => ['sent' => $numbers[$v]['sent'] ?? 0,
                'hits' => $numbers[$v][$plan->byClicks ? 'clicked' : 'opened'] ?? 0];
            $test = SubjectTest::of($hits('a'), $hits('b'));
            if (Broadcast::query()->where('id', $broadcast->id)->where('state', BroadcastState::Testing)
                ->update(['state' => BroadcastState::Sending, 'picked_at' => Instant::sql($now), 'winner' => $test->winner,
                    'winner_why' => $test->words($plan->byClicks)]) === 0) {
                return;
            }
            // What of the test still waits goes out with its own subject.
            $this->planAll($broadcast, Business::query()->findOrFail($broadcast->business_id), $now, $test->winner);
        });
    }

    /** Once more, to those who neither opened nor clicked; whoever left, bounced or does not fit any more is passed over. */
    public function again(Broadcast $broadcast, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($broadcast, $now): void {
            if (Broadcast::query()->where('id', $broadcast->id)->where('state', BroadcastState::Sent)->whereNull('again_at')
                ->update(['state' => BroadcastState::Sending, 'again_at' => Instant::sql($now)]) === 0) {
                return;
            }
            $stamp = Instant::sql($now);
            $people = DB::table('people')->where('people.business_id', $broadcast->business_id)->whereNull('people.erased_at')
                ->whereExists(fn (Builder $q) => $q->selectRaw('1')->from('messages')->whereColumn('messages.person_id', 'people.id')
                    ->where('broadcast_id', $broadcast->id)->where('state', MessageState::Sent)->whereNull('opened_at')
                    ->whereNull('clicked_at'))
                ->whereNotExists(fn (Builder $q) => self::got($q, $broadcast)->whereNotNull('opened_at'));
            SegmentQuery::subscription($people, Subscription::Subscribed);
            DB::table('messages')->insertOrIgnoreUsing(
                ['id', 'business_id', 'person_id', 'broadcast_id', 'funnel_id', 'variant', 'kind', 'run', 'unique_key', 'name',
                    'to_address', 'state', 'due_at', 'created_at', 'updated_at'],
                $people->selectRaw("lower(hex(randomblob(13))), people.business_id, people.id, ?, ?, ?, 'broadcast', 2, 'broadcast:' || ? "
                    ."|| ':' || people.id || ':again', ?, people.email, 'waiting', ?, ?, ?",
                    [$broadcast->id, $broadcast->funnel_id, $broadcast->winner, $broadcast->id, "{$broadcast->name}, again", $stamp, $stamp,
                        $stamp]),
            );
        });
    }

    /** Stops it: what has not gone out stays here. */
    public function stop(Broadcast $broadcast): void
    {
        DB::transaction(function () use ($broadcast): void {
            if (Broadcast::query()->where('id', $broadcast->id)->whereIn('state', [BroadcastState::Testing, BroadcastState::Sending])
                ->update(['state' => BroadcastState::Stopped]) === 1) {
                DB::table('messages')->where('broadcast_id', $broadcast->id)->where('state', MessageState::Waiting)
                    ->update(['state' => MessageState::Cancelled, 'trouble' => 'The broadcast was stopped.',
                        'updated_at' => Instant::sql(CarbonImmutable::now())]);
            }
        });
    }

    /** @return array<string, array{sent: int, opened: int, clicked: int}> by variant */
    public function variants(string $id): array
    {
        return DB::table('messages')->where('broadcast_id', $id)->whereNotNull('variant')->where('state', MessageState::Sent)
            ->where('run', 1)->groupBy('variant')
            ->selectRaw('variant, count(*) as sent, count(opened_at) as opened, count(clicked_at) as clicked')->get()
            ->mapWithKeys(fn ($r): array => [(string) $r->variant => ['sent' => (int) $r->sent, 'opened' => (int) $r->opened,
                'clicked' => (int) $r->clicked]])->all();
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, array<string, int>> by broadcast
     */
    public function numbers(array $ids): array
    {
        return DB::table('messages')->whereIn('broadcast_id', $ids)->groupBy('broadcast_id')
            ->selectRaw("broadcast_id, count(*) as messages, sum(state = 'sent') as sent, sum(state in ('waiting', 'sending')) as "
                ."waiting, sum(state = 'failed') as failed, sum(state = 'cancelled') as passed, count(opened_at) as opened, "
                    .'count(clicked_at) as clicked, count(lost_at) as lost')->get()
            ->mapWithKeys(fn ($r): array => [(string) $r->broadcast_id => array_map(intval(...),
                array_diff_key((array) $r, ['broadcast_id' => 0]))])->all();
    }
}
