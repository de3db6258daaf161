<?php

declare(strict_types=1);

namespace Tests\Feature\Journey;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Tags\Tagging;
use App\Publishing\Publishing;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Messages\MessageKind;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Email;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** The one door: what happens is recorded once, every funnel that listens is asked, and what follows is carried out, or nothing is. */
final class EventsTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
    }

    private function person(string $email = 'robin@example.com', ?User $owner = null): Person
    {
        return Person::query()->create(['business_id' => ($owner ?? $this->owner)->business_id, 'email' => $email, 'email_key' => $email,
            'joined_at' => now()]);
    }

    /** Another funnel of an owner's with a sequence of its own. */
    private function listening(User $owner, array $starts, array $ends = [], bool $live = true): Funnel
    {
        $funnel = $this->draft($owner, 'Another guide');
        Email::query()->where('funnel_id', $funnel->id)->delete();
        Sequence::query()->where('funnel_id', $funnel->id)->sole()->forceFill(['definition' => ['starts' => $starts, 'ends' => $ends]])
            ->save();
        Email::query()->create(['id' => Ids::next(), 'funnel_id' => $funnel->id,
            'sequence_id' => Sequence::query()->where('funnel_id', $funnel->id)->value('id'), 'name' => 'Heard of it', 'subject' => 'x',
            'body' => '<p>Words enough, and the file: <a href="{{download_link}}">here</a></p>', 'timing' => ['from' => 'joining',
                'days' => 2]]);
        if ($live) {
            app(Publishing::class)->publish($funnel, null);
        }

        return $funnel->refresh();
    }

    private function planned(string $name = 'Heard of it'): int
    {
        return Message::query()->where('name', $name)->where('state', 'waiting')->count();
    }

    private function types(): array
    {
        return DB::table('events')->orderBy('id')->pluck('type')->all();
    }

    /** @return iterable<string, array{string, int}> what became of the other funnel, and how many emails are planned in it */
    public static function others(): iterable
    {
        yield 'live' => ['live', 1];
        yield 'a draft' => ['draft', 0];
        yield 'closed' => ['closed', 0];
        yield 'archived' => ['archived', 0];
        yield 'somebody else’s' => ['foreign', 0];
        yield 'live in a version that listens no more' => ['rolled back', 0];
    }

    #[DataProvider('others')]
    public function test_buying_reaches_every_live_funnel_that_listens(string $state, int $planned): void
    {
        $other = $this->listening($state === 'foreign' ? $this->owner('other@ferncroft.example') : $this->owner, [['kind' => 'bought']],
            live: $state !== 'draft');
        match ($state) {
            'closed' => app(Publishing::class)->close($other),
            'archived' => $other->forceFill(['archived_at' => now()])->save(),
            'rolled back' => (function () use ($other): void {
                $sequence = Sequence::query()->where('funnel_id', $other->id)->sole();
                $sequence->forceFill(['definition' => ['starts' => [['kind' => 'tag', 'tag' => 'Other']]]])->save();
                app(Publishing::class)->publish($other, null);
            })(),
            default => null,
        };
        $person = $this->person();
        app(Events::class)->take(NewEvent::of(EventType::Bought, $person, CarbonImmutable::now(), $this->funnel->load('liveVersion')));

        self::assertSame($planned, $this->planned());
        self::assertSame(['bought'], $this->types(), 'it happened once, whoever heard of it');
        app(Events::class)->take(NewEvent::of(EventType::Bought, $person, CarbonImmutable::now()));
        self::assertSame($planned, $this->planned(), 'the same sequence is not entered twice');
    }

    public function test_buying_ends_sequences_of_another_funnel(): void
    {
        $this->listening($this->owner, [['kind' => 'tag', 'tag' => 'Cellist']], [['kind' => 'bought']]);
        $person = $this->person();
        app(Tagging::class)->add($person, 'cellist', CarbonImmutable::now());
        self::assertSame(1, $this->planned());
        $this->actingAs($this->owner)->postJson("/studio/api/people/{$person->id}/bought", ['funnel' => $this->funnel->id])
            ->assertCreated();

        self::assertSame(0, $this->planned());
        self::assertSame('Bought, which ends this sequence.', DB::table('enrolments')->value('ended_why'));
    }

    public function test_a_tag_that_comes_with_a_form_is_heard_in_other_funnels_and_recorded_with_joining(): void
    {
        $this->listening($this->owner, [['kind' => 'tag', 'tag' => 'The twelve-minute PRACTICE plan']]);
        $this->join($this->funnel, ['email' => 'robin@example.com']);

        self::assertSame(1, $this->planned());
        self::assertSame(['joined'], $this->types());
        $this->join($this->funnel, ['email' => 'robin@example.com']);
        self::assertSame(1, $this->planned());
    }

    public function test_a_tag_given_by_hand_is_recorded_once_however_often_it_is_given(): void
    {
        $person = $this->person();
        foreach (['VIP', 'vip', ' ViP '] as $name) {
            app(Tagging::class)->add($person, $name, CarbonImmutable::now());
        }

        self::assertSame(['tagged'], $this->types());
        self::assertNull($person->refresh()->active_at, 'what the owner does makes nobody active');
    }

    public function test_a_tag_given_to_many_is_recorded_for_each_and_starts_what_it_starts(): void
    {
        $this->listening($this->owner, [['kind' => 'tag', 'tag' => 'Autumn']]);
        foreach (range(1, 3) as $i) {
            $this->person("p{$i}@example.com");
        }
        $this->actingAs($this->owner)->postJson('/studio/api/people/acts', ['kind' => 'tag', 'of' => 'autumn', 'everybody' => true])
            ->assertCreated();
        $this->runQueue();

        self::assertSame(['tagged', 'tagged', 'tagged'], $this->types());
        self::assertSame(3, $this->planned());
    }

    public function test_asking_confirming_and_joining_are_three_events_and_decide_once(): void
    {
        DB::table('draft_parts')->where('kind', 'form')
            ->update(['definition' => DB::raw("json_set(definition, '$.doubleOptIn', json('true'), '$.notice', 'at-once')")]);
        app(Publishing::class)->publish($this->funnel, null);
        $this->join($this->funnel, ['email' => 'robin@example.com'])->assertStatus(303);
        self::assertSame(['asked'], $this->types());
        self::assertSame([MessageKind::Confirmation], Message::query()->pluck('kind')->all());
        $this->runQueue();
        preg_match('~http://localhost(/c/[^"\s]+)~', (string) $this->message('robin@example.com')->html, $m);
        $this->post($m[1])->assertStatus(303)->assertRedirect($this->funnel->url('thank-you'));
        $this->post($m[1]);

        self::assertSame(['asked', 'confirmed', 'joined'], $this->types());
        self::assertEqualsCanonicalizing(['confirm', 'sequence', 'notice'], Message::query()->toBase()->pluck('kind')->all());
    }

    public function test_what_cannot_be_carried_out_leaves_nothing_behind(): void
    {
        $person = $this->person();
        $this->app->when(\App\Journey\EffectRunner::class)->needs('$classes')->give([]);
        try {
            app(Events::class)->take(NewEvent::of(EventType::Unsubscribed, $person, CarbonImmutable::now()));
            self::fail('somebody carried it out');
        } catch (LogicException $e) {
            self::assertStringContainsString('CancelEmails', $e->getMessage());
        }

        self::assertSame(0, DB::table('events')->count());
    }

    /** @return iterable<string, array{EventType, string}> */
    public static function leaving(): iterable
    {
        yield 'unsubscribed' => [EventType::Unsubscribed, 'Unsubscribed before it was due.'];
        yield 'bounced' => [EventType::Bounced, 'This address refused an earlier message for good.'];
        yield 'complained' => [EventType::Complained, 'Reported an earlier email as spam.'];
    }

    #[DataProvider('leaving')]
    public function test_leaving_and_bouncing_end_everything_for_one_reason(EventType $type, string $why): void
    {
        $this->listening($this->owner, [['kind' => 'tag', 'tag' => 'Cellist']]);
        $person = $this->person();
        app(Tagging::class)->add($person, 'Cellist', CarbonImmutable::now());
        app(Events::class)->take(NewEvent::of($type, $person, CarbonImmutable::now()));

        self::assertSame([$why], DB::table('enrolments')->pluck('ended_why')->all());
        self::assertSame([['cancelled', $why]],
            Message::query()->where('name', 'Heard of it')->get()->map(fn (Message $m): array => [$m->state->value, $m->trouble])->all());
    }
}
