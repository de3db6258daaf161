<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Sending\MessageSender;
use App\Mail\Sending\OutboxBehaviour;
use App\Mail\Sending\SendMessage;
use App\Models\Broadcast;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Support\Shape;
use Tests\TestCase;

/** Emails to many at once: to the right ones, once, whatever happens on the way. */
final class BroadcastsTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->owner->business->forceFill(['messages_per_minute' => 100_000])->save();
        $this->actingAs($this->owner);
    }

    private function people(int $count): void
    {
        $rows = [];
        for ($i = 1; $i <= $count; $i++) {
            $rows[] = ['id' => sprintf('01h%023d', $i), 'business_id' => $this->owner->business_id, 'email' => "p{$i}@example.com",
                'email_key' => "p{$i}@example.com", 'first_name' => "P{$i}", 'first_key' => "p{$i}",
                'joined_at' => '2026-05-01 10:00:00.000'];
        }
        foreach (array_chunk($rows, 500) as $some) {
            DB::table('people')->insert($some);
        }
    }

    /** @param  array<string, mixed>  $columns */
    private function broadcast(array $columns = []): Broadcast
    {
        $id = $this->postJson('/studio/api/broadcasts')->assertCreated()->json('id');
        Broadcast::query()->whereKey($id)->update($columns
            + ['subject' => 'News for {{first_name|you}}',
                'body' => '<p>Words for {{first_name|you}}: <a href="https://ferncroft.example/news?for={{first_name}}">read on</a></p>']);

        return Broadcast::query()->findOrFail($id);
    }

    private function work(): void
    {
        Artisan::call('lantern:due');
        $this->runQueue();
    }

    public function test_it_goes_to_those_who_get_emails_and_to_nobody_else(): void
    {
        $this->people(12);
        $person = fn (int $i) => Person::query()->whereKey(sprintf('01h%023d', $i));
        $person(1)->update(['unsubscribed_at' => now()]);
        $person(2)->update(['pending' => true]);
        $person(3)->update(['marketing' => false]);
        $person(4)->update(['suppressed' => 'bounced']);
        $person(5)->update(['erased_at' => now()]);
        $person(6)->update(['owner_try' => true]);
        DB::table('opt_outs')->insert(['person_id' => sprintf('01h%023d', 7), 'what' => 'broadcasts', 'at' => now()]);
        $person(8)->update(['last_name' => 'Ash', 'last_key' => 'ash']);
        $person(9)->update(['quiet_until' => now()->addDays(2)]);
        $broadcast = $this->broadcast(['audience' => json_encode(['all' => true,
            'rules' => [['kind' => 'field', 'field' => 'last_name', 'compare' => 'empty']]])]);
        $this->getJson("/studio/api/broadcasts/{$broadcast->id}")->assertJsonPath('people', 4)
            ->assertJsonPath('audienceWords', '“Last name” is not known');
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk()->assertJsonPath('state', 'sending');
        $this->work();

        self::assertSame(['p10@example.com', 'p11@example.com', 'p12@example.com'],
            Message::query()->where('state', 'sent')->orderBy('to_address')->pluck('to_address')->all());
        self::assertSame('News for P10', Message::query()->where('to_address', 'p10@example.com')->value('subject'));
        $quiet = Message::query()->where('to_address', 'p9@example.com')->sole();
        self::assertSame(['waiting', '2026-06-03'], [$quiet->state->value, $quiet->due_at->format('Y-m-d')],
            'who wanted quiet gets it afterwards');
        $this->travel(3)->days();
        $this->work();
        $this->work();
        $this->getJson("/studio/api/broadcasts/{$broadcast->id}")->assertJsonPath('state', 'sent')->assertJsonPath('numbers.sent', 4);
    }

    public function test_a_time_of_day_is_the_owners_and_until_then_it_can_be_taken_back(): void
    {
        $this->people(3);
        $broadcast = $this->broadcast();
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send", ['at' => '2026-06-01T11:59'])->assertUnprocessable();
        foreach (['soon', '2026-13-45T10:00', '2026-06-02T99:99', "2026-06-02T09:3\0"] as $at) {
            $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send", ['at' => $at])->assertUnprocessable();
        }
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send", ['at' => '2026-06-02T09:30'])->assertOk()
            ->assertJsonPath('state', 'scheduled')->assertJsonPath('sendAt', '2026-06-02T07:30:00.000Z');
        $this->putJson("/studio/api/broadcasts/{$broadcast->id}", ['revision' => 1, 'body' => '<p>Other</p>'])->assertUnprocessable();
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/stop")->assertJsonPath('state', 'draft');
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send", ['at' => '2026-06-02T09:30'])->assertOk();
        $this->travelTo('2026-06-02 07:29:00');
        $this->work();
        self::assertSame(0, Message::query()->count());
        $this->travelTo('2026-06-02 07:31:00');
        $this->work();
        self::assertSame(3, Message::query()->where('state', 'sent')->count());
    }

    public function test_two_workers_at_once_and_a_step_that_is_broken_off_double_nothing(): void
    {
        $this->people(50);
        $broadcast = $this->broadcast();
        $broadcast->forceFill(['state' => 'scheduled', 'send_at' => now()])->save();
        $broadcasting = app(Broadcasting::class);
        // The first worker dies in the middle of planning.
        DB::beginTransaction();
        $broadcasting->start($broadcast->fresh() ?? $broadcast, CarbonImmutable::now());
        DB::rollBack();
        self::assertSame(['scheduled', 0], [$broadcast->fresh()?->state->value, Message::query()->count()]);
        $broadcasting->work(CarbonImmutable::now());
        $broadcasting->start($broadcast, CarbonImmutable::now());
        $broadcasting->work(CarbonImmutable::now());
        app(MessageSender::class)->queueDue();
        // The same jobs twice, for two workers.
        foreach (Message::query()->pluck('id') as $id) {
            SendMessage::dispatch((string) $id);
        }
        $this->runQueue();

        self::assertSame([50, 50, 50], [Message::query()->count(), DB::table('outbox')->count(),
            Message::query()->where('state', 'sent')->distinct()->count('person_id')]);
    }

    public function test_a_provider_that_is_down_for_an_hour_loses_nobody(): void
    {
        $this->people(40);
        OutboxBehaviour::read(Shape::of(['failingUntil' => '2026-06-01T11:00:00Z']))->keep();
        $this->postJson('/studio/api/broadcasts/'.$this->broadcast()->id.'/send')->assertOk();
        $this->work();
        self::assertSame([0, 40], [DB::table('outbox')->count(),
            Message::query()->where('state', 'waiting')->where('trouble', 'like', '%out of order%')->count()]);
        while (now()->lt('2026-06-01 13:00')) {
            $this->travel(5)->minutes();
            $this->work();
        }

        self::assertSame([40, 40, 0], [DB::table('outbox')->count(), Message::query()->where('state', 'sent')->count(),
            Message::query()->where('attempts', '>', 6)->count()]);
    }

    public function test_no_more_go_out_in_a_minute_than_the_owner_says(): void
    {
        $this->people(30);
        $this->owner->business->forceFill(['messages_per_minute' => 10])->save();
        $this->postJson('/studio/api/broadcasts/'.$this->broadcast()->id.'/send')->assertOk();
        $counts = [];
        for ($i = 0; $i < 24; $i++) {
            $this->work();
            $counts[] = Message::query()->where('state', 'sent')->count();
            $this->travel(10)->seconds();
        }
        for ($i = 6; $i < 24; $i++) {
            self::assertLessThanOrEqual(10, $counts[$i] - $counts[$i - 6], "in the minute before step {$i}");
        }
        self::assertSame([8, 30], [$counts[0], $counts[23]], 'a fifth of the minute is kept for what somebody waits for');
    }

    public function test_a_welcome_is_not_held_up_by_a_broadcast(): void
    {
        $funnel = $this->live($this->owner);
        $this->people(30);
        $this->owner->business->forceFill(['messages_per_minute' => 10])->save();
        $this->postJson('/studio/api/broadcasts/'.$this->broadcast()->id.'/send')->assertOk();
        $this->work();
        $this->join($funnel, ['first_name' => 'Robin', 'email' => 'robin@example.com']);
        $this->runQueue();
        self::assertSame(['sent', 9],
            [$this->message('robin@example.com')->state->value, Message::query()->where('state', 'sent')->count()]);
    }

    public function test_a_split_test_picks_the_subject_that_did_better_and_sends_it_to_the_rest(): void
    {
        $this->people(400);
        $broadcast = $this->broadcast(['settings' => json_encode(['otherSubject' => 'The other one', 'share' => 50, 'hours' => 2])]);
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk()->assertJsonPath('state', 'testing');
        $this->work();
        $test = Message::query()->where('state', 'sent')->get();
        self::assertEqualsWithDelta(200, $test->count(), 45);
        self::assertEqualsWithDelta($test->count() / 2, $test->where('variant', 'b')->count(), 35);
        self::assertSame(['The other one'], $test->where('variant', 'b')->pluck('subject')->unique()->values()->all());
        foreach ($test as $i => $message) {
            if ($message->variant === 'b' ? $i % 2 === 0 : $i % 10 === 0) {
                $message->forceFill(['opened_at' => now()])->save();
            }
        }
        $this->travel(119)->minutes();
        $this->work();
        self::assertSame('testing', $broadcast->fresh()?->state->value);
        $this->travel(2)->minutes();
        $this->work();
        $this->work();

        self::assertSame(['sent', 'b', 400],
            [$broadcast->fresh()?->state->value, $broadcast->fresh()?->winner, Message::query()->where('state', 'sent')->count()]);
        self::assertSame(400, Message::query()->distinct()->count('person_id'));
        self::assertStringContainsString('% sure that it is better', (string) $broadcast->fresh()?->winner_why);
        self::assertSame(400 - $test->count(),
            Message::query()->whereNotIn('id', $test->pluck('id'))->where('subject', 'The other one')->count());
        $this->getJson("/studio/api/broadcasts/{$broadcast->id}")->assertJsonPath('variants.a.sent', $test->where('variant', 'a')->count());
    }

    public function test_a_split_test_runs_from_when_its_last_reader_got_it(): void
    {
        $this->owner->business->forceFill(['messages_per_minute' => 10])->save();
        $this->people(200);
        $broadcast = $this->broadcast(['settings' => json_encode(['otherSubject' => 'The other one', 'share' => 50, 'hours' => 1])]);
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk();
        $waiting = fn (): int => Message::query()->where('state', 'waiting')->count();
        $this->work();
        self::assertGreaterThan(60, $waiting());
        // The provider is down for longer than the test runs.
        $this->travel(61)->minutes();
        OutboxBehaviour::read(Shape::of(['failingUntil' => now()->addMinutes(30)->format('Y-m-d\TH:i:s\Z')]))->keep();
        $this->work();
        self::assertSame('testing', $broadcast->fresh()?->state->value, 'most of its readers have not got it yet');
        for ($i = 0; $waiting() > 0 && $i < 60; $i++) {
            $this->travel(150)->seconds();
            $this->work();
        }
        self::assertSame('testing', $broadcast->fresh()?->state->value, 'the last of them have only just got it');
        $this->travel(58)->minutes();
        $this->work();
        self::assertSame('testing', $broadcast->fresh()?->state->value);
        $this->travel(3)->minutes();
        $this->work();
        self::assertSame('sending', $broadcast->fresh()?->state->value);
    }

    public function test_it_goes_once_more_to_those_who_did_not_open_it(): void
    {
        $this->people(4);
        $broadcast = $this->broadcast(['settings' => json_encode(['againDays' => 3, 'againSubject' => 'Did you see this?'])]);
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk();
        $this->work();
        Message::query()->where('to_address', 'p1@example.com')->update(['opened_at' => now()]);
        Message::query()->where('to_address', 'p2@example.com')->update(['clicked_at' => now()]);
        Person::query()->where('email', 'p3@example.com')->update(['unsubscribed_at' => now()]);
        for ($i = 0; $i < 10; $i++) {
            $this->travel(12)->hours();
            $this->work();
        }

        self::assertSame(['p4@example.com'], Message::query()->where('unique_key', 'like', '%:again')->pluck('to_address')->all());
        self::assertSame(['Did you see this?', MessageState::Sent],
            array_values(Message::query()->where('unique_key', 'like', '%:again')->sole()->only(['subject', 'state'])));
        self::assertSame('sent', $broadcast->fresh()?->state->value);
    }

    public function test_what_stands_in_the_way_is_said_and_nothing_goes_out(): void
    {
        $this->people(1);
        $broadcast = $this->broadcast(['body' => '<p><a href="https://">here</a> {{page_gone}} [your words]</p>', 'subject' => '']);
        $this->owner->business->forceFill(['postal_address' => ''])->save();
        $codes = array_column((array) $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertUnprocessable()
            ->json('findings'), 'code');
        self::assertEqualsCanonicalizing(['no-subject', 'placeholder', 'dead-link', 'no-postal-address'], $codes);
        Person::query()->update(['unsubscribed_at' => now()]);
        $this->getJson("/studio/api/broadcasts/{$broadcast->id}/check")->assertJsonPath('findings.0.code', 'nobody');
        self::assertSame(0, Message::query()->count());
    }

    public function test_header_injection_and_hostile_text_come_to_nothing(): void
    {
        $this->people(1);
        Person::query()->update(['first_name' => "Robin\r\nBcc: all@example.com {{email}} <script>"]);
        $broadcast = $this->broadcast();
        $this->putJson("/studio/api/broadcasts/{$broadcast->id}",
            ['revision' => 1, 'subject' => "News\r\nBcc: all@example.com {{first_name}}",
                'body' => '<p onclick="x()">Words <a href="javascript:alert(1)">x</a><script>alert(1)</script> {{first_name}}</p>'])
            ->assertOk();
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk();
        $this->work();
        $mime = (string) DB::table('outbox')->value('mime');

        self::assertDoesNotMatchRegularExpression('/^Bcc:/mi', (string) strstr($mime, "\r\n\r\n", true));
        $message = Message::query()->sole();
        self::assertStringNotContainsString('<script', (string) $message->html);
        self::assertStringNotContainsString('javascript:', (string) $message->html);
        self::assertStringContainsString('{{email}}', (string) $message->text, 'a merge field in a name is not filled in');
    }

    public function test_a_test_goes_to_the_owner_alone_and_a_stopped_email_stops(): void
    {
        $this->people(20);
        $broadcast = $this->broadcast();
        $person = Person::query()->where('email', 'p7@example.com')->sole()->id;
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/test", ['person' => $person])->assertCreated()
            ->assertJsonPath('to', 'imke@ferncroft.example');
        $this->runQueue();
        self::assertSame([['imke@ferncroft.example', 'Test: News for P7']],
            Message::query()->get()->map(fn (Message $m): array => [$m->to_address, $m->subject])->all());
        $this->owner->business->forceFill(['messages_per_minute' => 5])->save();
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/send")->assertOk();
        $this->work();
        $this->postJson("/studio/api/broadcasts/{$broadcast->id}/stop")->assertJsonPath('state', 'stopped');
        $this->travel(5)->minutes();
        $this->work();
        self::assertSame(['cancelled' => 17, 'sent' => 3],
            Message::query()->where('kind', 'broadcast')->pluck('state')->countBy()->sortKeys()->all());
    }

    public function test_nobody_elses_email_can_be_touched(): void
    {
        $id = $this->broadcast()->id;
        $this->actingAs($this->owner('other@ferncroft.example'));
        foreach (['get' => ['', '/check', '/sample'], 'post' => ['/send', '/stop', '/test', '/duplicate', '/restore'], 'put' => [''],
            'delete' => ['']] as $method => $paths) {
            foreach ($paths as $path) {
                $this->{"{$method}Json"}("/studio/api/broadcasts/{$id}{$path}")->assertNotFound();
            }
        }
        $this->getJson('/studio/api/broadcasts')->assertJsonPath('broadcasts', []);
    }

    public function test_a_copy_is_a_draft_that_sends_nothing_and_an_email_on_its_way_cannot_be_removed(): void
    {
        $this->people(3);
        $letter = $this->broadcast(['name' => str_repeat('n', 120),
            'audience' => json_encode(['all' => true,
                'rules' => [['kind' => 'field', 'field' => 'first_name', 'compare' => 'equal', 'value' => 'P1']]])]);
        $this->postJson("/studio/api/broadcasts/{$letter->id}/send")->assertOk();
        $this->deleteJson("/studio/api/broadcasts/{$letter->id}")->assertUnprocessable();
        $copy = $this->postJson("/studio/api/broadcasts/{$letter->id}/duplicate")->assertCreated()->assertJsonPath('state', 'draft')
            ->assertJsonPath('subject', $letter->subject)->assertJsonPath('people', 1);
        self::assertSame(120, mb_strlen((string) $copy->json('name')));
        $this->work();
        self::assertSame(['p1@example.com'], Message::query()->where('kind', 'broadcast')->pluck('to_address')->all(),
            'the copy went to nobody');

        $id = $copy->json('id');
        $this->deleteJson("/studio/api/broadcasts/{$id}")->assertOk();
        self::assertNotContains($id, array_column((array) $this->getJson('/studio/api/broadcasts')->assertOk()->json('broadcasts'), 'id'));
        $this->postJson("/studio/api/broadcasts/{$id}/restore")->assertOk();
        self::assertContains($id, array_column((array) $this->getJson('/studio/api/broadcasts')->assertOk()->json('broadcasts'), 'id'));
    }
}
