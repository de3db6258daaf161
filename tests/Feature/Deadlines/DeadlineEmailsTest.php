<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Languages\Voices;
use App\Mail\Emails\CountdownPicture;
use App\Mail\Emails\EmailWriter;
use App\Mail\Emails\MailLinks;
use App\Mail\Sending\MessageSender;
use App\Models\Message;
use App\Models\Person;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Intervention\Gif\Decoder;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\EmailPlan;

/** Emails that are told from a deadline: planned when it begins, moved with it, and never a lie. */
final class DeadlineEmailsTest extends DeadlineTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $email = fn (string $name, DeadlineMoment $by, string $body = '<p>x</p>') => $this->add(new EmailPlan(Ids::next(), $name,
            $name, $body,
            $by, $this->sequence));
        $email('A day before', DeadlineMoment::of($this->deadline, Edge::End, days: -1));
        $email('Three hours before', DeadlineMoment::of($this->deadline, Edge::End, minutes: -180),
            "<p>It ends on {{deadline_{$this->deadline}|some day}}: {{deadline_left_{$this->deadline}|nothing}} left.</p>"
            ."<img src=\"countdown:{$this->deadline}\" alt=\"\">");
        $email('At its end', DeadlineMoment::of($this->deadline, Edge::End));
        $email('A day after', DeadlineMoment::of($this->deadline, Edge::End, days: 1, hour: 9));
        $this->publish();
    }

    /** @return array<string, string> when the emails of the deadline are due for somebody, in UTC, by name; those that wait */
    private function due(Person $person): array
    {
        return array_map(fn ($at): string => substr((string) $at, 0, 16), DB::table('messages')->where('person_id', $person->id)
            ->where('state', 'waiting')->orderBy('due_at')->pluck('due_at', 'name')->all());
    }

    private function byHand(Person $person, array $act): TestResponse
    {
        return $this->actingAs($this->seller)->postJson("/studio/api/people/{$person->id}/deadlines/{$this->deadline}", $act);
    }

    public function test_they_are_planned_when_it_begins_in_the_readers_zone(): void
    {
        $robin = $this->reader();
        self::assertSame([], $this->due($robin));
        $this->click($robin);

        self::assertSame(['A day before' => '2026-11-29 19:00', 'Three hours before' => '2026-11-30 16:00',
            'At its end' => '2026-11-30 19:00', 'A day after' => '2026-12-01 08:00'], $this->due($robin));
        $this->click($robin);
        self::assertCount(4, $this->due($robin), 'once');
    }

    public function test_those_who_are_not_in_the_sequence_get_none_and_those_who_enter_late_only_what_is_still_to_come(): void
    {
        $wren = $this->reader('wren@example.com');
        DB::table('enrolments')->where('person_id', $wren->id)->delete();
        $this->click($wren);
        self::assertSame([], $this->due($wren));
        $this->travelTo('2026-11-30 12:00:00');
        $this->actingAs($this->seller)->postJson("/studio/api/people/{$wren->id}/sequences/{$this->sequence}")->assertSuccessful();

        self::assertSame(['Three hours before', 'At its end', 'A day after'], array_keys($this->due($wren)));
    }

    public function test_they_move_with_its_end_and_what_was_too_late_comes_back(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->byHand($robin, ['act' => 'move', 'until' => '2026-11-28T10:30'])->assertOk();
        self::assertSame('2026-11-28 09:30:00', $this->end($robin), 'on their clock');
        self::assertSame(['Three hours before' => '2026-11-28 06:30', 'At its end' => '2026-11-28 09:30',
            'A day after' => '2026-11-29 08:00'],
            $this->due($robin), 'a day before would have been yesterday');
        self::assertSame('cancelled Its deadline ends sooner now, or runs no more.', $this->state($robin, 'A day before'));
        $this->byHand($robin, ['act' => 'move', 'until' => '2026-12-05T20:00'])->assertOk();
        self::assertSame(['A day before' => '2026-12-04 19:00', 'Three hours before' => '2026-12-05 16:00',
            'At its end' => '2026-12-05 19:00', 'A day after' => '2026-12-06 08:00'], $this->due($robin));
        $this->byHand($robin, ['act' => 'remove'])->assertOk();
        self::assertSame([], $this->due($robin));
        self::assertNull($this->end($robin));
        $this->byHand($robin, ['act' => 'start'])->assertOk();
        self::assertCount(4, $this->due($robin));
        $this->byHand($robin, ['act' => 'end'])->assertOk();
        self::assertSame(['At its end', 'A day after'], array_keys($this->due($robin)));
        self::assertSame(['started', 'moved', 'moved', 'removed', 'started', 'ended'], DB::table('deadline_facts')->orderBy('id')
            ->pluck('type')->all());
    }

    public function test_what_cannot_be_done_by_hand_is_refused_in_one_sentence(): void
    {
        $robin = $this->reader();
        foreach ([['act' => 'move', 'until' => '2026-12-05T20:00'], ['act' => 'end'], ['act' => 'remove']] as $act) {
            $this->byHand($robin, $act)->assertStatus(422)->assertSee('has not started');
        }
        $this->byHand($robin, ['act' => 'start'])->assertOk();
        $this->byHand($robin, ['act' => 'start'])->assertStatus(422)->assertSee('It runs already');
        foreach (['2026-11-01T10:00' => 'still to come', 'soon' => 'written like', '2036-01-01T10:00' => 'two years'] as $until => $why) {
            $this->byHand($robin, ['act' => 'move', 'until' => $until])->assertStatus(422)->assertSee($why);
        }
        $this->byHand($robin, ['act' => 'move', 'until' => ['x']])->assertStatus(422);
        $this->byHand($robin, ['act' => 'dance'])->assertStatus(422);
        $this->byHand($robin, ['act' => 'end'])->assertOk();
        $this->byHand($robin, ['act' => 'end'])->assertStatus(422)->assertSee('over already');
        $url = "/studio/api/people/{$robin->id}/deadlines/{$this->deadline}";
        $this->actingAs($this->owner('stranger@example.com'))->postJson($url, ['act' => 'start'])
            ->assertNotFound();
    }

    private function sendDue(): void
    {
        app(MessageSender::class)->queueDue();
        $this->runQueue();
    }

    private function state(Person $person, string $name): string
    {
        $message = Message::query()->where('person_id', $person->id)->where('name', $name)->firstOrFail();

        return trim("{$message->state->value} {$message->trouble}");
    }

    public function test_nothing_comes_too_late_nor_after_buying(): void
    {
        [$robin, $wren] = [$this->reader(), $this->reader('wren@example.com')];
        $this->click($robin);
        $this->anotherBrowser()->click($wren);
        $this->buy(['email' => 'wren@example.com'])->assertRedirect();
        DB::table('enrolments')->where('person_id', $wren->id)->update(['ended_at' => null]);
        DB::table('messages')->where('person_id', $wren->id)->where('state', 'cancelled')->update(['state' => 'waiting',
            'trouble' => null]);
        // Nobody worked for a while: it is a minute past the end.
        $this->travelTo('2026-11-30 19:01:00');
        $this->sendDue();

        self::assertSame('cancelled It would have come too late.', $this->state($robin, 'Three hours before'));
        self::assertSame('sent', $this->state($robin, 'At its end'));
        self::assertSame('cancelled Has bought what the deadline is about.', $this->state($wren, 'At its end'));
        $this->travelTo('2026-12-02 08:00:00');
        $this->sendDue();
        self::assertSame('cancelled It would have come too late.', $this->state($robin, 'A day after'));
    }

    public function test_whoever_reads_plain_text_starts_it_too(): void
    {
        $robin = $this->reader();
        $written = app(EmailWriter::class)->write($this->offered($robin)->load(['person.business', 'business', 'funnel.liveVersion']));
        self::assertSame(1, preg_match('~http://localhost(/l/\S+)~', (string) $written?->text, $link));

        $this->get($link[1])->assertRedirect(url($this->url(PageRole::Sales)));
        self::assertSame('2026-11-30 19:00:00', $this->end($robin));
    }

    public function test_they_say_the_end_in_the_readers_zone_and_show_it_as_it_is_when_they_are_opened(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $this->travelTo('2026-11-30 16:00:00');
        $message = Message::query()->where('person_id', $robin->id)->where('name', 'Three hours before')->firstOrFail();
        $written = app(EmailWriter::class)->write($message->load(['person.business', 'business', 'funnel.liveVersion']));

        self::assertStringContainsString('It ends on Monday 30 November at 20:00, Oslo time: 3 hours left.', (string) $written?->text);
        self::assertSame(1, preg_match('~<img src="[^"]*(/t/[^"]+\.gif)" alt="Monday 30 November at 20:00, Oslo time"~',
            (string) $written?->html, $m));
        $picture = fn (): TestResponse => $this->anotherBrowser()->get($m[1])->assertOk()->assertHeader('Content-Type', 'image/gif');
        $running = $picture()->assertHeader('Cache-Control', 'max-age=0, no-store, private')->getContent();
        self::assertCount(61, Decoder::decode((string) $running)->getFrames());
        $this->travelTo('2026-11-30 18:59:40');
        self::assertCount(21, Decoder::decode((string) $picture()->getContent())->getFrames(), 'twenty seconds, and that it is over');
        $this->travelTo('2026-12-24 10:00:00');
        self::assertCount(1, Decoder::decode((string) $picture()->getContent())->getFrames());
        $this->get(str_replace('.gif', 'x.gif', $m[1]))->assertNotFound();
        self::assertSame(0, DB::table('events')->where('type', 'opened')->count(), 'a picture begins and counts nothing');
    }

    public function test_the_picture_is_small_in_every_look(): void
    {
        foreach (Looks::all() as $look) {
            // The minute in which every figure changes.
            $gif = CountdownPicture::of($look, 100 * 86_400 + 30, Voices::of('en'));
            self::assertLessThanOrEqual(CountdownPicture::MOST_BYTES, strlen($gif), $look->id);
        }
    }

    public function test_a_link_that_stands_in_the_picture_of_nobody_shows_nothing_of_others(): void
    {
        $robin = $this->reader();
        $message = $this->offered($robin);
        $seal = MailLinks::sealOf("countdown|{$message->id}|{$this->deadline}");
        $this->get("/t/{$message->id}/{$this->deadline}/{$seal}.gif")->assertOk()->assertHeader('Content-Type', 'image/gif');
        $this->get("/t/nobody/{$this->deadline}/{$seal}.gif")->assertNotFound();
    }

    public function test_publishing_keeps_what_runs_unless_the_owner_moves_it(): void
    {
        [$robin, $wren] = [$this->reader(), $this->reader('wren@example.com', 'America/New_York')];
        $this->click($robin);
        $this->anotherBrowser()->click($wren);
        \App\Models\DraftPart::query()->findOrFail($this->deadline)->change(['duration' => ['days' => 5, 'time' => '12:00']])->save();
        $api = "/studio/api/funnels/{$this->funnel->id}";
        $this->actingAs($this->seller)->getJson("{$api}/running-deadlines")->assertOk()
            ->assertJsonPath('deadlines.0', fn (array $d): bool => $d['running'] === 2 && $d['later'] === 2 && $d['earlier'] === 0);
        $this->postJson("{$api}/publish", ['move' => [$this->deadline]])->assertOk();
        $this->runQueue();

        self::assertSame(['2026-12-02 11:00:00', '2026-12-02 17:00:00'], [$this->end($robin), $this->end($wren)]);
        self::assertSame('2026-12-02 08:00', $this->due($robin)['Three hours before']);
        $this->getJson("{$api}/running-deadlines")->assertJsonPath('deadlines', []);
        $this->postJson("{$api}/publish", ['move' => 'all'])->assertStatus(422);
    }
}
