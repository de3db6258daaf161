<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Mail\Broadcasts\Broadcasting;
use App\Models\Broadcast;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Drafts\Email;
use Tests\TestCase;

/** Whoever left has left, whatever is done to the list afterwards; and who only slipped loses nothing. */
final class UnsubscribeTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
        foreach ([3, 7] as $days) {
            Email::query()->create(['funnel_id' => $this->funnel->id, 'name' => "Day {$days}", 'subject' => 'x', 'body' => '<p>Words.</p>',
                'timing' => ['from' => 'joining', 'days' => $days]]);
        }
        $this->actingAs($this->owner)->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
    }

    private function joined(string $address): Person
    {
        $this->defaultCookies = $this->unencryptedCookies = [];
        $this->join($this->funnel, ['first_name' => 'Robin', 'email' => $address]);
        $this->runQueue();
        $this->actingAs($this->owner);

        return Person::query()->where('email_key', $address)->sole();
    }

    private function leaving(string $address): string
    {
        $message = Message::query()->where('to_address', $address)->where('state', 'sent')->firstOrFail();
        self::assertSame(1, preg_match('~http://localhost(/u/[^"]+)"~', (string) $message->html, $m));

        return html_entity_decode($m[1]);
    }

    /** @return array<string, int> */
    private function states(): array
    {
        return Message::query()->whereIn('name', ['Day 3', 'Day 7'])->pluck('state')->countBy()->sortKeys()->all();
    }

    private function due(): void
    {
        Artisan::call('lantern:due');
        $this->runQueue();
    }

    public function test_what_the_owner_takes_back_does_not_bring_back_who_left_themselves(): void
    {
        $robin = $this->joined('robin@example.com');
        $kim = $this->joined('kim@example.com');
        $themselves = fn (Person $p): int => DB::table('events')->where('type', 'unsubscribed')->where('person_id', $p->id)
            ->whereNotNull('data->message')->count();
        $act = $this->postJson('/studio/api/people/acts', ['kind' => 'unsubscribe', 'everybody' => true])->assertJsonPath('people', 2)
            ->json('id');
        $this->runQueue();
        $this->travel(1)->minutes();
        $this->post($this->leaving('robin@example.com'))->assertOk();
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertOk();

        self::assertSame(['unsubscribed', 'subscribed'], [$robin->refresh()->subscription()->value,
            $kim->refresh()->subscription()->value]);
        self::assertSame(['cancelled' => 2, 'waiting' => 2], $this->states());
        self::assertSame([null, 1], [DB::table('events')->where('type', 'unsubscribed')->where('person_id', $kim->id)
            ->value('data->message'), $themselves($robin)], 'their history says who did it');
        $this->post($this->leaving('robin@example.com'))->assertOk();
        self::assertSame(1, $themselves($robin), 'leaving twice is leaving once');
    }

    public function test_who_pressed_it_by_mistake_gets_what_is_still_to_come(): void
    {
        $robin = $this->joined('robin@example.com');
        $link = $this->leaving('robin@example.com');
        $this->post($link)->assertOk();
        self::assertSame(['cancelled' => 2], $this->states());
        $this->travelTo('2026-06-05 12:00:00');
        $this->post($link, ['choose' => 'back'])->assertOk();

        self::assertSame(['cancelled' => 1, 'waiting' => 1], $this->states(), 'day 3 has passed, day 7 has not');
        self::assertSame([null, null],
            array_values((array) DB::table('enrolments')->where('person_id', $robin->id)->first(['ended_at', 'ended_why'])));
        $this->post($link, ['choose' => 'back'])->assertOk();
        $this->travelTo('2026-06-08 12:00:00');
        $this->due();
        self::assertSame(['cancelled' => 1, 'sent' => 1], $this->states());
    }

    public function test_coming_back_does_not_begin_again_what_ended_for_another_reason(): void
    {
        $robin = $this->joined('robin@example.com');
        $this->deleteJson('/studio/api/people/'.$robin->id.'/sequences/'.DB::table('enrolments')->value('sequence_id'))->assertOk();
        $link = $this->leaving('robin@example.com');
        $this->post($link)->assertOk();
        $this->post($link, ['choose' => 'back'])->assertOk();
        self::assertSame(['cancelled' => 2], $this->states());
        self::assertNotNull(DB::table('enrolments')->value('ended_at'));
    }

    public function test_who_complained_cannot_be_restored_by_a_form_and_the_owner_is_told_so(): void
    {
        $robin = $this->joined('robin@example.com');
        $this->postJson('/studio/api/messages/'.$this->sent('robin@example.com').'/feedback', ['what' => 'complain'])->assertOk();
        $this->postJson("/studio/api/people/{$robin->id}/lift")->assertUnprocessable()
            ->assertJsonPath('message', 'They reported an email of yours as spam. Nothing is sent to this address any more.');
        $kim = $this->joined('kim@example.com');
        $this->postJson("/studio/api/people/{$kim->id}/unsubscribe")->assertOk();
        $this->postJson("/studio/api/people/{$kim->id}/lift")->assertUnprocessable()
            ->assertJsonPath('message', 'Only they themselves can come back, by filling in a form of yours.');
    }

    private function sent(string $address): string
    {
        return Message::query()->where('to_address', $address)->where('state', 'sent')->firstOrFail()->id;
    }

    public function test_a_graver_reason_takes_the_place_of_a_lighter_one(): void
    {
        $why = fn (): ?string => Suppressions::why($this->owner->business_id, 'robin@example.com');
        foreach ([['unsubscribed', 'unsubscribed'], ['bounced', 'bounced'], ['unsubscribed', 'bounced'], ['complained', 'complained'],
            ['bounced', 'complained']] as [$add, $then]) {
            Suppressions::add($this->owner->business_id, 'robin@example.com', $add);
            self::assertSame($then, $why());
        }
        Suppressions::cameBack($this->owner->business_id, 'robin@example.com');
        self::assertSame('complained', $why());
    }

    public function test_of_two_who_become_one_the_one_gets_each_email_once(): void
    {
        [$stays, $goes] = [$this->joined('new@example.com'), $this->joined('old@example.com')];
        $broadcast = fn (array $columns): Broadcast => Broadcast::query()
            ->create($columns + ['business_id' => $this->owner->business_id, 'name' => 'News', 'subject' => 'News',
                'body' => '<p>Words.</p>', 'state' => 'scheduled', 'send_at' => now()]);
        $plain = $broadcast([]);
        $broadcasting = app(Broadcasting::class);
        $broadcasting->start($plain, CarbonImmutable::now());
        self::assertSame(2, Message::query()->where('broadcast_id', $plain->id)->count());
        $this->postJson("/studio/api/people/{$stays->id}/merge", ['with' => $goes->id])->assertOk();
        $this->due();
        self::assertSame(1, Message::query()->where('broadcast_id', $plain->id)->where('state', 'sent')->count());
        self::assertSame(['waiting' => 2], $this->states(), 'and each email of the sequence');
    }

    public function test_who_got_the_test_under_the_other_address_does_not_get_the_winner_too(): void
    {
        [$stays, $goes] = [$this->joined('new@example.com'), $this->joined('old@example.com')];
        $broadcast = Broadcast::query()->create(['business_id' => $this->owner->business_id, 'name' => 'News', 'subject' => 'News',
            'body' => '<p>Words.</p>', 'state' => 'testing', 'started_at' => now()]);
        DB::table('messages')->insert(['id' => str_repeat('a', 26), 'business_id' => $this->owner->business_id, 'person_id' => $goes->id,
            'broadcast_id' => $broadcast->id, 'variant' => 'a', 'kind' => 'broadcast',
            'unique_key' => "broadcast:{$broadcast->id}:{$goes->id}",
            'name' => 'News', 'to_address' => 'old@example.com', 'state' => 'sent', 'sent_at' => now(), 'due_at' => now(),
            'opened_at' => now()]);
        $this->postJson("/studio/api/people/{$stays->id}/merge", ['with' => $goes->id])->assertOk();
        app(Broadcasting::class)->pick($broadcast, CarbonImmutable::now());
        self::assertSame(1, Message::query()->where('broadcast_id', $broadcast->id)->count());
    }

    public function test_a_complaint_and_a_wish_for_quiet_come_along_and_a_bounce_does_not(): void
    {
        foreach ([['suppressed', 'complained', 'complained'], ['suppressed', 'bounced', 'subscribed'],
            ['unsubscribed_at', '2026-05-01 10:00:00', 'unsubscribed']] as $i => [$column, $value, $subscription]) {
            [$stays, $goes] = [$this->joined("new{$i}@example.com"), $this->joined("old{$i}@example.com")];
            $goes->forceFill([$column => $value, 'quiet_until' => '2026-06-20 10:00:00'])->save();
            $this->postJson("/studio/api/people/{$stays->id}/merge", ['with' => $goes->id])->assertOk();
            self::assertSame([$subscription, '2026-06-20'], [$stays->refresh()->subscription()->value,
                $stays->quiet_until?->format('Y-m-d')]);
        }
    }

    public function test_many_who_enter_at_once_are_written_to_no_faster_than_the_owner_says(): void
    {
        $this->owner->business->forceFill(['messages_per_minute' => 10])->save();
        $rows = array_map(fn (int $i): array => ['id' => sprintf('01h%023d', $i), 'business_id' => $this->owner->business_id,
            'email' => "p{$i}@example.com", 'email_key' => "p{$i}@example.com", 'joined_at' => '2026-05-01 10:00:00.000'], range(1, 35));
        DB::table('people')->insert($rows);
        $this->postJson('/studio/api/people/acts',
            ['kind' => 'start', 'of' => Email::query()->firstOrFail()->sequence_id, 'everybody' => true])->assertCreated();
        $sent = fn (): int => Message::query()->where('state', 'sent')->count();
        $this->due();
        self::assertSame(9, $sent(), 'a tenth is kept for what somebody waits for');
        $this->joined('robin@example.com');
        $this->postJson('/studio/api/emails/'.Email::query()->firstOrFail()->id.'/test')->assertCreated();
        $this->runQueue();
        self::assertSame([10, 1], [$sent(), Message::query()->where('kind', 'test')->where('state', 'sent')->count()]);
        foreach ([19, 28, 37, 37] as $by) {
            $this->travel(61)->seconds();
            $this->due();
            self::assertSame($by, $sent());
        }
    }
}
