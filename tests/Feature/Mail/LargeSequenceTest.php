<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Sequences\Replanner;
use App\Models\BulkAct;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\SequencePause;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\Drafts\Email;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** A sequence that more people are in than are seen to at once: what changes for them comes to each, once, wherever a worker dies. */
final class LargeSequenceTest extends TestCase
{
    private const PEOPLE = 700;

    private User $owner;

    private Funnel $funnel;

    private string $sequence;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->owner->business->forceFill(['messages_per_minute' => 100_000])->save();
        $this->funnel = $this->live($this->owner);
        $this->actingAs($this->owner);
        $this->sequence = Sequence::query()->create(['funnel_id' => $this->funnel->id, 'name' => 'Second'])->id;
        $people = array_map(fn (int $i): array => ['id' => sprintf('01h%023d', $i), 'business_id' => $this->owner->business_id,
            'email' => "p{$i}@example.com", 'email_key' => "p{$i}@example.com",
            'joined_at' => '2026-05-01 10:00:00.000', 'timezone' => [null, 'America/Chicago', 'Asia/Tokyo'][$i % 3]],
            range(1, self::PEOPLE));
        DB::table('people')->insert($people);
        DB::table('enrolments')->insert(array_map(fn (array $p): array => ['person_id' => $p['id'], 'sequence_id' => $this->sequence,
            'funnel_id' => $this->funnel->id, 'started_at' => '2026-06-01 10:00:00.000'], $people));
        Email::query()->create(['funnel_id' => $this->funnel->id, 'sequence_id' => $this->sequence, 'name' => 'Later', 'subject' => 'x',
            'body' => '<p>Words.</p>', 'timing' => ['from' => 'joining', 'days' => 3, 'hour' => 9]]);
        $this->publish();
        $this->runQueue();
        self::assertSame([self::PEOPLE, self::PEOPLE], [$this->later()->count(), DB::table('enrolments')->count()]);
    }

    private function publish(): void
    {
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Message> */
    private function later(): mixed
    {
        return Message::query()->where('name', 'Later')->where('state', 'waiting');
    }

    /** @return array<string, int> how many are due when, in UTC */
    private function due(): array
    {
        return $this->later()->orderBy('due_at')->pluck('due_at')->map(fn (CarbonImmutable $d): string => $d->format('m-d H:i'))->countBy()
            ->all();
    }

    public function test_a_change_comes_to_everybody_each_in_their_own_zone(): void
    {
        $before = ['06-04 00:00' => 233, '06-04 07:00' => 233, '06-04 14:00' => 234];
        self::assertSame($before, $this->due());
        Email::query()->where('name', 'Later')->sole()->forceFill(['timing' => ['from' => 'joining', 'days' => 5, 'hour' => 18]])->save();
        Email::query()->create(['funnel_id' => $this->funnel->id, 'sequence_id' => $this->sequence, 'name' => 'Last', 'subject' => 'x',
            'body' => '<p>Words.</p>', 'timing' => ['from' => 'joining', 'days' => 6, 'hour' => 9]]);
        $affected = $this->getJson("/studio/api/funnels/{$this->funnel->id}/affected")->assertOk()->json('affected');
        self::assertSame([self::PEOPLE, ['“Last” will also be sent to 700 people.', '“Later” comes at another time for 700 people.']],
            [$affected[0]['people'], $affected[0]['sentences']]);
        $this->publish();
        $this->runQueue();
        self::assertSame(['06-06 09:00' => 233, '06-06 16:00' => 233, '06-06 23:00' => 234], $this->due());
        self::assertSame(self::PEOPLE, Message::query()->where('name', 'Last')->where('state', 'waiting')->count());
    }

    public function test_a_worker_that_dies_between_two_pieces_of_a_change_leaves_the_rest_to_the_next(): void
    {
        Email::query()->where('name', 'Later')->sole()->forceFill(['timing' => ['from' => 'joining', 'days' => 5, 'hour' => 9]])->save();
        $this->publish();
        DB::table('jobs')->delete();
        $version = $this->funnel->refresh()->liveVersion;
        self::assertNotNull($version);
        $replanner = app(Replanner::class);
        $now = CarbonImmutable::now();
        // The first sequence has nobody in it.
        $start = $replanner->carry($version, $now, '', 0) ?? ['', 0];
        $place = $replanner->carry($version, $now, ...$start);
        self::assertSame($this->sequence, $place[0] ?? null);
        $moved = fn (): int => $this->later()->where('due_at', '>', '2026-06-05')->count();
        self::assertSame(300, $moved());
        // Another one does the same piece once more, and goes on from there.
        $replanner->carry($version, $now, ...$start);
        for ($n = 0; $place !== null; $n++) {
            $place = $replanner->carry($version, $now, ...$place);
        }
        self::assertSame([3, self::PEOPLE, self::PEOPLE], [$n, $moved(), $this->later()->count()]);
    }

    public function test_an_email_that_is_removed_and_put_back_is_the_same_message(): void
    {
        $ids = $this->later()->orderBy('id')->pluck('id')->all();
        $email = Email::query()->where('name', 'Later')->sole();
        $this->deleteJson("/studio/api/parts/{$email->id}")->assertOk();
        $this->publish();
        $this->runQueue();
        self::assertSame(0, $this->later()->count());
        $this->postJson("/studio/api/parts/{$email->id}/restore")->assertOk();
        $this->publish();
        $this->runQueue();
        self::assertSame($ids, $this->later()->orderBy('id')->pluck('id')->all());
    }

    public function test_going_on_after_a_pause_adds_it_once_for_each_wherever_a_worker_dies(): void
    {
        $this->postJson("/studio/api/sequences/{$this->sequence}/pause")->assertOk();
        // Some entered while it stood.
        DB::table('enrolments')->whereIn('person_id', [sprintf('01h%023d', 650), sprintf('01h%023d', 5)])
            ->update(['started_at' => '2026-06-01 22:00:00.000']);
        $this->travelTo('2026-06-02 10:00:00');
        $replanner = app(Replanner::class);
        self::assertTrue($replanner->goOn($this->sequence, CarbonImmutable::now()));
        $this->postJson("/studio/api/sequences/{$this->sequence}/pause")->assertUnprocessable()
            ->assertJsonPath('message', 'It is just going on again for everybody in it. Try once more in a minute.');
        self::assertTrue(SequencePause::query()->whereKey($this->sequence)->exists(), 'until it is through, it stands');
        // The next piece is broken off in the middle, and done again a little later.
        DB::beginTransaction();
        $replanner->goOn($this->sequence, CarbonImmutable::now());
        DB::rollBack();
        $this->travel(90)->seconds();
        self::assertTrue($replanner->goOn($this->sequence, CarbonImmutable::now()));
        self::assertFalse($replanner->goOn($this->sequence, CarbonImmutable::now()));
        self::assertFalse($replanner->goOn($this->sequence, CarbonImmutable::now()), 'it goes on, and there is nothing to do');

        self::assertSame([86_400 => 698, 43_200 => 2], DB::table('enrolments')->pluck('paused_seconds')->countBy()->sortDesc()->all());
        self::assertSame(['06-05 00:00' => 233, '06-05 07:00' => 233, '06-05 14:00' => 234], $this->due());
        self::assertSame(0, SequencePause::query()->count());
    }

    public function test_many_are_removed_again_at_once(): void
    {
        $act = BulkAct::query()->create(['business_id' => $this->owner->business_id, 'kind' => 'start', 'data' => ['of' => $this->sequence],
            'people' => self::PEOPLE])->id;
        DB::table('bulk_act_people')->insertUsing(['bulk_act_id', 'person_id'], DB::table('people')->selectRaw('?, id', [$act]));
        DB::enableQueryLog();
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertOk();
        self::assertLessThan(20, count(DB::getQueryLog()), 'however many they are');
        self::assertSame([0, 0], [$this->later()->count(), DB::table('enrolments')->whereNull('ended_at')->count()]);
    }
}
