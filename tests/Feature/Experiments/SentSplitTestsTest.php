<?php

declare(strict_types=1);

namespace Tests\Feature\Experiments;

use App\Experiments\ExperimentResults;
use App\Experiments\Exposures;
use App\Mail\Sending\Feedback;
use App\Models\Enrolment;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Privacy\Erase;
use App\People\Privacy\Merge;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Experiments\Assignment;
use Tests\Drafts\Email;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** Split tests of what goes out by mail: an email's words, and the moments of a sequence. */
final class SentSplitTestsTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    private string $email;

    private string $sequence;

    private string $test;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->funnel = $this->draft($this->owner);
        $this->sequence = Sequence::query()->sole()->id;
        $this->email = Email::query()->create(['funnel_id' => $this->funnel->id, 'name' => 'Day one', 'subject' => 'Your first day',
            'body' => '<p>Begin <a href="https://ferncroft.example/begin">here</a>, and play a little.</p>',
            'timing' => ['from' => 'joining', 'days' => 1, 'hour' => 9]])->id;
        app(Publishing::class)->publish($this->funnel, null);
        $this->funnel->refresh();
        $this->actingAs($this->owner);
    }

    /** @param  array<string, mixed>  $differs */
    private function begin(string $of, string $part, array $differs): string
    {
        $parts = "/studio/api/funnels/{$this->funnel->id}/parts";
        $this->test = $this->postJson($parts, ['kind' => 'split-test', 'of' => $of, 'part' => $part])->assertCreated()->json('id');
        $made = $this->postJson($parts, ['kind' => 'variant', 'test' => $this->test])->assertCreated()->assertJsonPath('differs', []);
        $this->putJson("/studio/api/parts/{$made->json('id')}", $differs + ['revision' => $made->json('revision')])->assertOk()
            ->assertJsonCount(1, 'differs');

        return (string) $made->json('id');
    }

    private function start(): void
    {
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertCreated();
        $this->funnel->refresh();
    }

    /**
     * So many people, and more until each variant is somebody's: who they are decides, and that is never the same.
     *
     * @return int how many there are
     */
    private function people(int $least, int $from = 0): int
    {
        $letters = [];
        for ($i = $from; $i < $from + $least || count($letters) < 2; $i++) {
            $this->defaultCookies = $this->unencryptedCookies = [];
            $this->join($this->funnel, ['email' => "reader{$i}@example.com"]);
            $letters[Assignment::of($this->test, Person::query()->where('email', "reader{$i}@example.com")->sole()->id,
                ['a' => 1, 'b' => 1])] = true;
        }

        return $i - $from;
    }

    private function pass(string $until): void
    {
        while (now()->lt($until)) {
            $this->travel(4)->hours();
            Artisan::call('lantern:due');
            $this->runQueue();
        }
    }

    /** @return array<string, array<string, int>> how many got which subject, by what was noted for them */
    private function got(): array
    {
        $got = [];
        foreach (Message::query()->where('email_id', $this->email)->where('state', 'sent')->get() as $m) {
            $noted = DB::table('experiment_people')->where('person_id', $m->person_id)->value('variant');
            $got["{$noted}{$m->variant}"][$m->subject] = ($got["{$noted}{$m->variant}"][$m->subject] ?? 0) + 1;
        }
        ksort($got);

        return $got;
    }

    public function test_readers_of_an_email_get_one_of_its_subjects_and_what_they_do_counts_for_it(): void
    {
        $this->begin('email', $this->email, ['subject' => 'Twelve minutes, today']);
        $this->start();
        $many = $this->people(10);
        $this->pass('2026-06-03 00:00');
        $got = $this->got();
        self::assertSame(['aa', 'bb'], array_keys($got));
        self::assertSame([['Your first day'], ['Twelve minutes, today']], [array_keys($got['aa']), array_keys($got['bb'])]);
        self::assertSame($many, array_sum($got['aa']) + array_sum($got['bb']));

        $one = Message::query()->where('email_id', $this->email)->where('variant', 'b')->firstOrFail();
        preg_match('~href="([^"]*/l/[^"]*)"~', (string) $one->html, $link);
        self::assertNotSame([], $link, (string) $one->html);
        $this->get(html_entity_decode($link[1]))->assertRedirect('https://ferncroft.example/begin');
        $row = DB::table('experiment_people')->where('person_id', $one->person_id)->sole();
        self::assertSame([true, true, null], [$row->clicked_after > 0, $row->opened_after > 0, $row->joined_after]);
        self::assertSame('b', DB::table('events')->where('type', EventType::Clicked->value)->value('variant'));
        // A click in another email says nothing of this one.
        $welcome = Message::query()->where('name', 'Welcome email')->where('person_id', '!=', $one->person_id)->firstOrFail();
        app(Feedback::class)->clicked($welcome, 'https://ferncroft.example/', CarbonImmutable::now());
        self::assertSame(1, DB::table('experiment_people')->whereNotNull('clicked_after')->count());

        $said = (new ExperimentResults(Experiment::query()->findOrFail($this->test), CarbonImmutable::now()))->toArray();
        self::assertSame(['email', 'readers', 'Clicks', 'too-early'], [$said['of'], $said['who'], $said['goalLabel'], $said['verdict']]);
        self::assertSame(1, array_sum(array_column($said['arms'], 'reached')));
    }

    public function test_the_winner_is_what_everybody_gets_at_once_and_what_the_draft_says(): void
    {
        $this->begin('email', $this->email, ['subject' => 'Twelve minutes, today']);
        $this->start();
        $many = $this->people(4);
        $this->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'b'])->assertOk();
        $this->pass('2026-06-03 00:00');
        self::assertSame(['' => ['Twelve minutes, today' => $many]], $this->got());
        $draft = $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertOk()->assertJsonCount(0, 'splitTests')
            ->assertJsonCount(0, 'variants')->json();
        self::assertSame('Twelve minutes, today', collect($draft['emails'])->firstWhere('id', $this->email)['subject']);
        self::assertFalse($draft['changed'] ?? false, 'what is public is what the draft says');
    }

    public function test_a_reader_keeps_their_variant_when_people_are_merged_and_is_nobody_once_they_are_forgotten(): void
    {
        $this->begin('email', $this->email, ['subject' => 'Twelve minutes, today']);
        $this->start();
        $many = $this->people(4);
        $this->pass('2026-06-03 00:00');
        $of = fn (string $letter): Person => Person::query()->findOrFail(DB::table('experiment_people')->where('variant', $letter)
            ->value('person_id'));
        [$a, $b] = [$of('a'), $of('b')];
        app(Merge::class)->merge($a, $b);
        $theirs = DB::table('experiment_people')->where('person_id', $a->id)->orderBy('seen_at')->orderBy('id')->get();
        self::assertSame([2, [1, 0]], [count($theirs), $theirs->map(fn (object $r): int => (int) $r->counted)->all()]);
        self::assertSame($theirs[0]->variant, Exposures::letterFor($this->test, ['a' => 1, 'b' => 1], $a->id),
            'what they got first is what they get');
        app(Erase::class)->person($a->refresh());
        $rows = json_encode(DB::table('experiment_people')->get(['visitor'])->all(), JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString($a->id, $rows);
        self::assertSame($many, DB::table('experiment_people')->count());
    }

    public function test_an_email_without_the_link_that_it_is_for_cannot_be_tested(): void
    {
        $this->begin('email', $this->email, ['body' => '<p>Play a little.</p>']);
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertUnprocessable()->assertJsonPath('findings.0.code',
            'variant-without-link')->assertJsonPath('findings.0.open', 'variant');
    }

    public function test_a_goal_that_an_email_cannot_have_is_refused(): void
    {
        $this->begin('email', $this->email, ['subject' => 'Twelve minutes, today']);
        $revision = collect($this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('splitTests'))->sole()['revision'];
        $this->putJson("/studio/api/parts/{$this->test}", ['goal' => 'signup', 'revision' => $revision])->assertUnprocessable();
        $this->putJson("/studio/api/parts/{$this->test}", ['goal' => 'open', 'revision' => $revision])->assertOk();
    }

    public function test_who_enters_a_sequence_gets_one_of_its_timings_and_keeps_it(): void
    {
        $this->begin('timing', $this->sequence, ['timings' => [['email' => $this->email, 'timing' => ['from' => 'joining', 'days' => 3,
            'hour' => 9]]]]);
        $before = $this->people(2);
        $this->start();
        $many = $this->people(4, $before);
        $due = [];
        foreach (Message::query()->where('email_id', $this->email)->get() as $m) {
            $letter = (string) Enrolment::query()->where('person_id', $m->person_id)->value('variant');
            $due[$letter][$m->due_at->format('D')] = true;
        }
        ksort($due);
        self::assertSame(['' => ['Tue' => true], 'a' => ['Tue' => true], 'b' => ['Thu' => true]], $due);
        self::assertSame($many, DB::table('experiment_people')->count());
        // A version more moves nobody to the moments of others, and says so beforehand.
        $changes = $this->getJson("/studio/api/funnels/{$this->funnel->id}/check")->assertOk()->json('people') ?? [];
        self::assertSame([], $changes);
        Email::query()->findOrFail($this->email)->forceFill(['subject' => 'The first day'])->save();
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->runQueue();
        $b = Enrolment::query()->where('variant', 'b')->pluck('person_id');
        self::assertSame(['Thu'], Message::query()->where('email_id', $this->email)->whereIn('person_id', $b)->get()
            ->map(fn (Message $m): string => $m->due_at->format('D'))->unique()->all());
        // Once it has ended, whoever still waits gets it at the moment that won.
        $this->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'b'])->assertOk();
        $this->runQueue();
        self::assertSame(['Thu'], Message::query()->where('email_id', $this->email)->get()
            ->map(fn (Message $m): string => $m->due_at->format('D'))->unique()->values()->all());
    }

    public function test_a_removed_email_takes_its_test_along_and_brings_it_back(): void
    {
        $this->begin('email', $this->email, ['subject' => 'Twelve minutes, today']);
        $this->deleteJson("/studio/api/parts/{$this->email}")->assertOk();
        $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertJsonCount(0, 'splitTests')->assertJsonCount(0, 'variants');
        $this->postJson("/studio/api/parts/{$this->email}/restore")->assertOk();
        $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertJsonCount(1, 'splitTests')->assertJsonCount(1, 'variants');
    }
}
