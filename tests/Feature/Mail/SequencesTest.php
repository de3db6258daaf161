<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Sending\MessageSender;
use App\Models\Enrolment;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Tests\Drafts\Email;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** People in sequences: what comes when, what ends it, and what becomes of them when the sequence changes. */
final class SequencesTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00'); // a Monday, noon in Berlin
        $this->owner = $this->owner();
    }

    /** @param  array<string, array<string, mixed>>  $emails  more columns by name; each comes a day after the one before it at nine */
    private function sequence(array $emails, array $definition = []): Funnel
    {
        $funnel = $this->draft($this->owner);
        $sequence = Sequence::query()->sole();
        $sequence->forceFill(['definition' => $definition + $sequence->definition])->save();
        $day = 0;
        foreach ($emails as $name => $columns) {
            Email::query()->create($columns + ['funnel_id' => $funnel->id, 'name' => $name, 'subject' => $name,
                'body' => '<p>Words enough to read.</p>', 'timing' => ['from' => 'joining', 'days' => ++$day, 'hour' => 9]]);
        }
        app(Publishing::class)->publish($funnel, null);

        return $funnel->refresh();
    }

    /** Lets time pass, forty minutes at a time, with a worker and a scheduler that run. */
    private function pass(string $until): void
    {
        while (now()->lt($until)) {
            $this->travel(40)->minutes();
            Artisan::call('lantern:due');
            $this->runQueue();
        }
    }

    /** @return list<string> what went out, with its moment */
    private function sent(): array
    {
        return Message::query()->where('state', 'sent')->orderBy('sent_at')->get()
            ->map(fn (Message $m): string => "{$m->name} ".$m->sent_at?->format('D H:i'))->all();
    }

    public function test_emails_go_out_in_the_window_and_nobody_gets_one_twice(): void
    {
        $funnel = $this->sequence(['One' => [], 'Two' => [], 'Three' => [], 'Four' => [], 'Five' => ['timing' => ['from' => 'joining',
            'minutes' => 30]]],
            ['window' => ['days' => [1, 2, 3, 4], 'from' => 8, 'to' => 12]]);
        $this->join($funnel, ['email' => 'robin@example.com', 'zone' => 'America/New_York']);
        $this->join($funnel, ['email' => 'robin@example.com', 'zone' => 'America/New_York']);
        $this->pass('2026-06-09 20:00');

        // Nine in New York is 13:00; half past six there is before the window; Friday waits for Monday.
        self::assertSame(['Welcome email Mon 10', 'Five Mon 12', 'One Tue 13', 'Two Wed 13', 'Three Thu 13', 'Four Mon 13'],
            array_map(fn (string $s): string => substr($s, 0, -3), $this->sent()));
        self::assertSame(1, Enrolment::query()->count());
    }

    public function test_a_branch_goes_by_what_the_reader_did(): void
    {
        $funnel = $this->sequence(['One' => [], 'Warm' => ['timing' => ['from' => 'joining', 'days' => 2, 'hour' => 9]],
            'Cold' => ['timing' => ['from' => 'joining', 'days' => 2, 'hour' => 9]]]);
        $one = Email::query()->where('name', 'One')->sole()->id;
        Email::query()->where('name', 'Warm')->sole()
            ->forceFill(['only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'clicked', 'with' => $one]]]])
            ->save();
        Email::query()->where('name', 'Cold')->sole()
            ->forceFill(['only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'clicked', 'not' => true, 'with' => $one]]]])
            ->save();
        app(Publishing::class)->publish($funnel, null);
        $this->join($funnel, ['email' => 'warm@example.com']);
        $this->join($funnel, ['email' => 'cold@example.com']);
        $this->pass('2026-06-02 12:00');
        Message::query()->where('name', 'One')->where('to_address', 'warm@example.com')->sole()->forceFill(['clicked_at' => now()])->save();
        $this->pass('2026-06-03 12:00');

        self::assertSame(['Cold cold@example.com', 'Warm warm@example.com'],
            Message::query()->whereIn('name', ['Warm', 'Cold'])->where('state', 'sent')->get()
                ->map(fn (Message $m): string => "{$m->name} {$m->to_address}")->sort()->values()->all());
        self::assertStringStartsWith('Left out',
            (string) Message::query()->where('name', 'Warm')->where('to_address', 'cold@example.com')->sole()->trouble);
    }

    public function test_a_tag_ends_a_sequence_and_starts_another(): void
    {
        $funnel = $this->sequence(['One' => [], 'Two' => []], ['ends' => [['kind' => 'tag', 'tag' => 'Student']]]);
        $second = Sequence::query()->create(['funnel_id' => $funnel->id, 'name' => 'For students',
            'definition' => ['starts' => [['kind' => 'tag', 'tag' => 'student']]]]);
        Email::query()->create(['funnel_id' => $funnel->id, 'sequence_id' => $second->id, 'name' => 'Hello student', 'subject' => 'x',
            'body' => '<p>Words.</p>', 'timing' => null]);
        app(Publishing::class)->publish($funnel, null);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->pass('2026-06-02 12:00');
        $id = Person::query()->sole()->id;
        $this->actingAs($this->owner)->postJson("/studio/api/people/{$id}/tags", ['name' => 'STUDENT'])->assertOk();
        $this->pass('2026-06-04 12:00');

        self::assertSame(['Welcome email', 'One', 'Hello student'],
            Message::query()->where('state', 'sent')->orderBy('sent_at')->pluck('name')->all());
        self::assertSame('Got the tag “Student”, which ends this sequence.', Message::query()->where('name', 'Two')->sole()->trouble);
        // Whoever has the tag that ends it does not enter it.
        $this->join($funnel, ['email' => 'robin@example.com']);
        self::assertSame(0, Message::query()->where('state', 'waiting')->count());
    }

    public function test_buying_ends_what_ends_on_buying_and_a_sequence_may_be_entered_again(): void
    {
        $funnel = $this->sequence(['One' => []], ['again' => true]);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->runQueue();
        $this->actingAs($this->owner)->postJson('/studio/api/people/'.Person::query()->sole()->id.'/bought', ['funnel' => $funnel->id])
            ->assertCreated();
        self::assertSame([MessageState::Cancelled, 'Bought, which ends this sequence.'],
            array_values(Message::query()->where('name', 'One')->sole()->only(['state', 'trouble'])));

        $this->travel(1)->days();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->pass('2026-06-03 12:00');
        self::assertSame(['Welcome email', 'Welcome email', 'One'],
            Message::query()->where('state', 'sent')->orderBy('sent_at')->pluck('name')->all());
        self::assertSame(2, Enrolment::query()->sole()->run);
    }

    public function test_a_sequence_whose_last_email_has_gone_may_begin_again_and_not_before(): void
    {
        $funnel = $this->sequence(['One' => []], ['again' => true]);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->runQueue();
        $this->join($funnel, ['email' => 'robin@example.com']);
        self::assertSame(1, Enrolment::query()->sole()->run, 'an email of it still waits');
        $profile = '/studio/api/people/'.Person::query()->sole()->id;
        self::assertFalse($this->actingAs($this->owner)->getJson($profile)->json('sequences.0.through'));

        $this->pass('2026-06-03 12:00');
        self::assertTrue($this->getJson($profile)->json('sequences.0.through'));
        self::assertNull(Enrolment::query()->sole()->ended_at, 'an email added later still reaches them');
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->join($funnel, ['email' => 'robin@example.com']);
        self::assertSame(2, Enrolment::query()->sole()->run);
        $this->pass('2026-06-05 12:00');
        self::assertSame(2, Message::query()->where('name', 'One')->where('state', 'sent')->count());
    }

    public function test_changing_a_running_sequence_says_whom_it_affects_and_carries_it_out(): void
    {
        $funnel = $this->sequence(['One' => [], 'Two' => [], 'Three' => []]);
        foreach (['a', 'b', 'c'] as $who) {
            $this->join($funnel, ['email' => "{$who}@example.com"]);
        }
        $this->pass('2026-06-02 08:00');
        $this->join($funnel, ['email' => 'late@example.com']);
        $emails = Email::query()->pluck('id', 'name');
        Email::query()->where('name', 'Two')->update(['removed' => '{}']);
        Email::query()->where('name', 'Three')->sole()->forceFill(['timing' => ['from' => 'joining', 'days' => 6, 'hour' => 9]])->save();
        Email::query()->create(['funnel_id' => $funnel->id, 'name' => 'New', 'subject' => 'x', 'body' => '<p>Words.</p>',
            'timing' => ['from' => 'joining', 'days' => 4, 'hour' => 9]]);
        Email::query()->create(['funnel_id' => $funnel->id, 'name' => 'Early', 'subject' => 'x', 'body' => '<p>Words.</p>',
            'timing' => ['from' => 'joining', 'minutes' => 60]]);

        $affected = $this->actingAs($this->owner)->getJson("/studio/api/funnels/{$funnel->id}/affected")->assertOk()->json('affected');
        self::assertSame([['Follow-up', 4]], array_map(fn (array $a): array => [$a['name'], $a['people']], $affected));
        self::assertEqualsCanonicalizing(['“Two” is no longer sent to 4 people.', '“Three” comes at another time for 4 people.',
            '“New” will also be sent to 4 people.', '“Early” will also be sent to one person.',
            '“Early” is not sent to those who are past it already: 3 people.'], $affected[0]['sentences']);

        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk();
        $this->runQueue();
        $this->runQueue();
        $states = fn (string $name): array => Message::query()->where('name', $name)->pluck('state')->countBy()->all();
        self::assertSame([['cancelled' => 4], ['waiting' => 4], ['waiting' => 4], ['waiting' => 1]],
            array_map($states, ['Two', 'Three', 'New', 'Early']));
        self::assertSame(['Sun 07:00', 'Mon 07:00'],
            Message::query()->where('name', 'Three')->orderBy('due_at')->get()->map(fn (Message $m): string => $m->due_at->format('D H:i'))
                ->unique()->values()->all());
        // Put back, it is the same message again, and whoever is past it is past it.
        Email::query()->whereKey($emails['Two'])->update(['removed' => null]);
        $this->pass('2026-06-03 08:00');
        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk();
        $this->runQueue();
        self::assertSame(['cancelled' => 3, 'waiting' => 1], collect($states('Two'))->sortKeys()->all());
        $this->getJson("/studio/api/funnels/{$funnel->id}/affected")->assertJsonPath('affected', []);
    }

    public function test_a_sequence_that_stands_still_sends_nothing_and_goes_on_where_it_stood(): void
    {
        $funnel = $this->sequence(['One' => [], 'Two' => []]);
        $this->join($funnel, ['email' => 'a@example.com']);
        $this->pass('2026-06-01 20:00');
        $id = Sequence::query()->sole()->id;
        $this->actingAs($this->owner)->postJson("/studio/api/sequences/{$id}/pause")->assertOk()->assertJsonPath('paused', true);
        $this->pass('2026-06-02 20:00');
        $this->join($funnel, ['email' => 'b@example.com']);
        $this->pass('2026-06-04 20:00');
        self::assertSame(['Welcome email'], Message::query()->where('state', 'sent')->pluck('name')->all(),
            'not even the answer to joining');

        $this->postJson("/studio/api/sequences/{$id}/resume")->assertOk();
        $this->pass('2026-06-07 12:00');
        $sent = Message::query()->where('state', 'sent')->where('to_address', 'a@example.com')->orderBy('sent_at')->get()
            ->map(fn (Message $m): string => "{$m->name} ".$m->sent_at?->format('D'))->all();
        self::assertSame(['Welcome email Mon', 'One Fri', 'Two Sat'], $sent, 'three days later than they would have come');
        self::assertSame(['Welcome email', 'One', 'Two'],
            Message::query()->where('state', 'sent')->where('to_address', 'b@example.com')->orderBy('sent_at')->pluck('name')->all());
        self::assertSame(0, Message::query()->whereIn('state', ['waiting', 'failed'])->count());
    }

    public function test_a_clock_that_jumps_by_a_day_doubles_nothing_and_loses_nothing(): void
    {
        $funnel = $this->sequence(['One' => [], 'Two' => []]);
        foreach (range(1, 30) as $i) {
            $this->join($funnel, ['email' => "p{$i}@example.com"]);
        }
        $this->pass('2026-06-01 12:00');
        $this->travelTo('2026-06-02 13:00');
        Artisan::call('lantern:due');
        $this->travelTo('2026-06-01 14:00'); // and back
        Artisan::call('lantern:due');
        $this->runQueue();
        $this->pass('2026-06-03 20:00');

        self::assertSame(['One' => 30, 'Two' => 30, 'Welcome email' => 30],
            Message::query()->where('state', 'sent')->pluck('name')->countBy()->sortKeys()->all());
        self::assertSame(90, DB::table('outbox')->count());
    }

    public function test_a_worker_that_comes_a_night_late_waits_for_the_morning(): void
    {
        $funnel = $this->sequence(['One' => []],
            ['window' => ['days' => [1, 2, 3, 4, 5, 6, 7], 'from' => 8, 'to' => 20], 'byReader' => false]);
        $this->join($funnel, ['email' => 'a@example.com']);
        $this->travelTo('2026-06-02 21:30'); // half past eleven at night in Berlin
        $id = Message::query()->where('name', 'One')->sole()->id;
        app(MessageSender::class)->send($id);

        $message = Message::query()->findOrFail($id);
        self::assertSame(['waiting', 0, '2026-06-03 06:00'],
            [$message->state->value, $message->attempts, $message->due_at->format('Y-m-d H:i')]);
    }

    public function test_nobody_elses_sequence_can_be_touched_and_a_full_one_does_not_go(): void
    {
        $funnel = $this->sequence(['One' => []]);
        $id = Sequence::query()->sole()->id;
        $this->actingAs($this->owner)->deleteJson("/studio/api/parts/{$id}")->assertUnprocessable();
        $this->putJson("/studio/api/parts/{$id}", ['revision' => 1, 'window' => ['days' => [], 'from' => 9, 'to' => 10]])
            ->assertUnprocessable();
        $this->putJson("/studio/api/parts/{$id}", ['revision' => 1, 'name' => 'Better',
            'window' => ['days' => [1], 'from' => 9, 'to' => 10], 'ends' => [['kind' => 'tag', 'tag' => 'x']]])->assertOk()
            ->assertJsonPath('windowLabel', 'Monday, 09:00 to 10:00')->assertJsonPath('revision', 2);
        $this->putJson("/studio/api/parts/{$id}", ['revision' => 1, 'name' => 'Late'])->assertConflict();
        $this->putJson("/studio/api/parts/{$id}", ['revision' => 2, 'window' => null])->assertOk()->assertJsonPath('window', null)
            ->assertJsonPath('ends', [['kind' => 'tag', 'tag' => 'x']])
            ->assertJsonPath('starts.0.kind', 'form');
        foreach ([[['kind' => 'form', 'form' => str_repeat('0', 26)]], [['kind' => 'none']], 'bought', [7]] as $wrong) {
            $this->putJson("/studio/api/parts/{$id}", ['revision' => 3, 'starts' => $wrong])->assertUnprocessable();
        }
        $this->actingAs($this->owner('other@ferncroft.example'));
        foreach ([['put', ''], ['delete', ''], ['post', '/pause'], ['post', '/resume']] as [$method, $path]) {
            $this->{"{$method}Json"}("/studio/api/sequences/{$id}{$path}", ['revision' => 3])->assertNotFound();
        }
        $this->getJson("/studio/api/funnels/{$funnel->id}/affected")->assertNotFound();
    }

    public function test_the_sequences_of_all_funnels_are_listed_with_what_they_did_lately(): void
    {
        $this->join($this->sequence(['One' => []]), ['email' => 'long-ago@example.com']);
        $this->pass('2026-06-02 12:00');
        $this->travelTo('2026-07-13 10:00:00');
        $this->join(Funnel::query()->sole(), ['email' => 'a@example.com']);
        $this->pass('2026-07-13 12:00');
        Message::query()->where('state', 'sent')->latest('sent_at')->firstOrFail()
            ->forceFill(['opened_at' => now(), 'clicked_at' => now(), 'lost_at' => now()])->save();
        $id = Sequence::query()->sole()->id;
        $path = '/studio/api/sequences';
        $queries = fn (): int => count(DB::getQueryLog()) - (int) DB::flushQueryLog();
        DB::enableQueryLog();
        $this->actingAs($this->owner)->getJson($path)->assertOk()->assertJsonCount(1, 'sequences')->assertJson(['sequences' => [[
            'id' => $id, 'live' => true, 'paused' => false, 'emails' => 2, 'inside' => 1, 'waiting' => 1,
            'nextAt' => '2026-07-14T07:00:00.000Z', 'sent' => 1, 'opened' => 1, 'clicked' => 1, 'lost' => 1,
        ]]]);
        $one = $queries();

        $quiet = $this->draft($this->owner);
        $quietSequence = Sequence::query()->where('funnel_id', $quiet->id)->value('id');
        $archived = $this->draft($this->owner);
        $archived->forceFill(['archived_at' => now()])->save();
        $this->postJson("{$path}/{$id}/pause")->assertOk();
        $queries();
        $list = $this->getJson($path)->assertOk()->json('sequences');
        self::assertSame([[$id, true, true], [$quietSequence, false, false]],
            array_map(fn (array $row): array => [$row['id'], $row['live'], $row['paused']], $list), 'who is inside comes first');
        self::assertSame($one, $queries(), 'as many queries for two funnels as for one');
        $this->actingAs($this->owner('other@ferncroft.example'))->getJson($path)->assertExactJson(['sequences' => []]);
    }
}
