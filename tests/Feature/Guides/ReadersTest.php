<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Drafts\DraftRows;
use App\Models\DraftPart;
use App\Models\Message;
use App\Models\Person;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Events\Trigger\GuideBegun;
use Lantern\Core\Events\Trigger\GuideFinished;
use Lantern\Core\Events\Trigger\GuidePageRead;
use Lantern\Core\Events\Trigger\GuideShareRead;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Page\Document;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/** What the owner sees of readers, and what reading sets off: reminders, sequences, deadlines. */
final class ReadersTest extends GuideTestCase
{
    private string $api = '/studio/api';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->imke);
    }

    private function joinsAndReads(string $email, int ...$pages): string
    {
        $this->forgetsAll();
        app('auth')->forgetGuards();
        $this->joins($email);
        if ($pages !== []) {
            $this->reads(...$pages);
        }
        $this->actingAs($this->imke);

        return (string) Person::query()->where('email', $email)->sole()->id;
    }

    public function test_numbers_lists_and_the_table_say_how_far_each_came(): void
    {
        $this->joinsAndReads('robin@example.com', 0, 1, 2, 3, 4, 5);
        $this->joinsAndReads('ada@example.com', 0, 1);
        $this->joinsAndReads('kim@example.com');
        Person::query()->where('email', 'ada@example.com')->update(['first_name' => '=HYPERLINK("x")']);
        $n = $this->getJson("{$this->api}/guides/{$this->guide->id}/numbers")->assertOk()->json();
        self::assertSame([3, 2, 1, 48, 10], [$n['given'], $n['begun'], $n['finished'], $n['median'], $n['least']]);
        self::assertSame([2, 2, 1, 1, 1, 1], array_column($n['pages'], 'reached'));
        self::assertSame([2, 2, 1, 1, 1, 1], array_column($n['pages'], 'read'));
        self::assertNull($n['stop'], 'of two nobody can know where people stop');

        foreach (['all' => ['robin', 'ada', 'kim'], 'finished' => ['robin'], 'reading' => ['ada'], 'not-begun' => ['kim'],
            'nonsense' => ['robin', 'ada', 'kim']] as $list => $who) {
            self::assertSame($who, array_map(fn (array $r): string => strstr($r['email'], '@', true) ?: '',
                $this->getJson("{$this->api}/guides/{$this->guide->id}/readers?list={$list}")->assertOk()->json('readers')), $list);
        }
        $found = $this->getJson("{$this->api}/guides/{$this->guide->id}/readers?search=ROBIN&page=0")->assertOk()->json();
        self::assertSame([1, 100, 72, 'What comes next'], [$found['total'], $found['readers'][0]['share'], $found['readers'][0]['seconds'],
            $found['readers'][0]['lastPage']]);
        $this->getJson("{$this->api}/guides/{$this->guide->id}/readers?list[]=x&search[]=%25&page[]=y")->assertOk();

        $csv = $this->get("{$this->api}/guides/{$this->guide->id}/readers/export")->assertOk()->streamedContent();
        self::assertStringStartsWith("\u{FEFF}", $csv);
        self::assertCount(5, explode("\n", $csv));
        self::assertStringNotContainsString(',=HYPERLINK', $csv);
        self::assertDoesNotMatchRegularExpression('/^"?=HYPERLINK/m', $csv, 'no formula of a stranger’s is run in a spreadsheet');
    }

    public function test_the_owners_own_try_and_whoever_was_erased_are_in_no_number(): void
    {
        $this->joinsAndReads('robin@example.com', 0, 1);
        Person::query()->update(['owner_try' => true]);
        $n = $this->getJson("{$this->api}/guides/{$this->guide->id}/numbers")->assertOk()->json();
        self::assertSame([0, 0, 0, [0]], [$n['given'], $n['begun'], $n['median'],
            array_values(array_unique(array_column($n['pages'], 'seen')))]);
        self::assertSame([], $this->getJson("{$this->api}/guides/{$this->guide->id}/readers")->json('readers'));
    }

    public function test_of_one_person_each_page_with_its_time_and_what_they_ticked_wrote_and_clicked(): void
    {
        $last = $this->pages()[5];
        $last->change(['document' => ['format' => Document::FORMAT, 'sections' => [['id' => 'end', 'kind' => 'words', 'blocks' => [
            ['id' => 'on', 'kind' => 'button', 'text' => 'Take the next step', 'url' => 'https://elsewhere.example/x']]]]]])->save();
        $this->publish();
        app('auth')->forgetGuards();
        $browser = str_repeat('a', 32);
        $this->keepCookies($this->join($this->funnel, ['email' => 'robin@example.com', 'visitor' => $browser]));
        $this->reads(0, 2);
        $person = Person::query()->sole()->id;
        $page = $this->opens();
        $this->tells(self::sealed($page), answers: [['why', -1, 'My grandfather'], ['list', 1, true]]);
        self::assertSame(1, preg_match('~data-b="(\d+)"[^>]*>(?:(?!data-b).)*Take the next step~s', (string) $page->getContent(), $m));
        $this->post('/m/did', ['funnel' => $this->funnel->id, 'page' => $this->guide->id, 'visitor' => $browser, 'did' => 'press',
            'at' => $m[1]])->assertSuccessful();
        $this->actingAs($this->imke);
        $read = $this->getJson("{$this->api}/people/{$person}/reading")->assertOk()->json('readings');
        self::assertCount(1, $read);
        self::assertSame([12, 0, 12, 0, 0, 0], array_column($read[0]['pages'], 'seconds'));
        self::assertSame([true, false, true, false, false, false], array_column($read[0]['pages'], 'read'));
        self::assertSame([['asked' => 'Why the cello?', 'said' => 'My grandfather']], $read[0]['words']);
        self::assertSame([['thing' => 'Tune', 'done' => false], ['thing' => 'Sit', 'done' => true]], $read[0]['ticks']);
        self::assertSame(['Take the next step'], array_column($read[0]['clicks'], 'words'));
        self::assertSame([$this->funnel->name, $this->funnel->id], [$read[0]['funnel'], $read[0]['funnelId']]);
        // Nobody else's, and nothing of somebody who reads nothing.
        $this->actingAs($this->owner('other@example.com'));
        $this->getJson("{$this->api}/people/{$person}/reading")->assertNotFound();
    }

    /** @return list<string> subjects of what was sent to somebody beside the welcome email, in order */
    private function reminded(string $email): array
    {
        return Message::query()->where('to_address', $email)->where('state', 'sent')->whereNotNull('email_id')->orderBy('sent_at')
            ->pluck('subject')->filter(fn (string $s): bool => preg_match('/waiting|left off|Before I stop/', $s) === 1)->values()->all();
    }

    private function daysPass(int $days): void
    {
        for ($day = 0; $day < $days; $day++) {
            $this->travel(1)->days();
            $this->artisan('lantern:due');
            $this->runQueue();
        }
    }

    public function test_reminders_come_on_their_days_stop_when_they_do_what_is_asked_and_end(): void
    {
        $made = $this->postJson("{$this->api}/guides/{$this->guide->id}/reminders", ['reminders' => [['days' => 7, 'not' => 'finished'],
            ['days' => 1, 'not' => 'begun'], ['days' => 3, 'not' => 'finished']]])->assertCreated()->json();
        self::assertCount(4, $made['parts']);
        $this->publish();
        $this->joinsAndReads('kim@example.com');
        $this->joinsAndReads('ada@example.com', 0, 1);
        $this->joinsAndReads('robin@example.com', 0, 1, 2, 3, 4, 5);
        $title = 'The Twelve-Minute Practice Plan';
        $this->daysPass(5);
        self::assertSame(["It is waiting for you: {$title}", "Where you left off: {$title}"], $this->reminded('kim@example.com'));
        self::assertSame(["Where you left off: {$title}"], $this->reminded('ada@example.com'));
        self::assertSame([], $this->reminded('robin@example.com'));
        // It leads to where they were, on a device that has never seen them.
        $message = Message::query()->where('to_address', 'ada@example.com')->where('subject', 'like', 'Where you%')->sole();
        self::assertSame(1, preg_match('~href="http://[^/"]+(/l/[^"]+)"[^>]*>Read on~', (string) $message->html, $m),
            (string) $message->html);
        app('auth')->forgetGuards();
        $this->forgetsAll();
        $this->keepCookies($this->get($m[1])->assertRedirect());
        $this->opens()->assertSee('data-leaf="'.$this->pages()[1]->id.'" aria-label="'.$this->pages()[1]->name.'" tabindex="-1" data-here',
            false);
        $this->reads(2, 3, 4, 5);
        $this->daysPass(30);
        self::assertCount(1, $this->reminded('ada@example.com'), 'whoever finished is reminded no more');
        self::assertSame("Before I stop reminding you: {$title}", $this->reminded('kim@example.com')[2]);
        self::assertCount(3, $this->reminded('kim@example.com'), 'and it ends');
        self::assertSame(0, Message::query()->where('sequence_id', $made['sequence'])->where('state', 'waiting')->count());
    }

    public function test_sequences_and_a_deadline_start_by_what_is_read(): void
    {
        $pages = $this->pages();
        $triggers = ['begun' => new GuideBegun($this->guide->id), 'half' => new GuideShareRead($this->guide->id, 50),
            'page' => new GuidePageRead($pages[4]->id), 'finished' => new GuideFinished($this->guide->id)];
        foreach ($triggers as $name => $trigger) {
            $sequence = DraftRows::add($this->funnel->refresh(), new SequencePlan(Ids::next(), $name, new Triggers([$trigger])))->id;
            DraftRows::add($this->funnel->refresh(), new EmailPlan(Ids::next(), $name, $name, '<p>x</p>', Delay::days(1, 9), $sequence));
        }
        $deadline = DraftRows::add($this->funnel->refresh(), new Deadline(Ids::next(), 'Three days',
            new Triggers([new GuideFinished($this->guide->id)]), Duration::days(3)))->id;
        $this->publish();
        $planned = fn (): array => Message::query()->whereIn('name', array_keys($triggers))->orderBy('id')->pluck('name')->all();
        $this->joinsAndReads('robin@example.com');
        self::assertSame([], $planned());
        $this->reads(0);
        self::assertSame(['begun'], $planned());
        $this->reads(4);
        self::assertSame(['begun', 'page'], $planned());
        $this->reads(1);
        self::assertSame(['begun', 'page', 'half'], $planned());
        self::assertSame(0, DB::table('deadline_runs')->where('deadline_id', $deadline)->count());
        $this->reads(2, 3, 5);
        self::assertSame(['begun', 'page', 'half', 'finished'], $planned());
        self::assertSame(1, DB::table('deadline_runs')->where('deadline_id', $deadline)->count());
        $this->reads(0, 1, 2, 3, 4, 5);
        self::assertCount(4, $planned(), 'each once');
    }

    public function test_what_the_history_tells_has_the_name_of_the_guide(): void
    {
        $person = $this->joinsAndReads('robin@example.com', 0, 1, 2, 3, 4, 5);
        $history = $this->getJson("{$this->api}/people/{$person}")->assertOk()->json('history');
        $guide = array_values(array_filter($history, fn (array $h): bool => str_starts_with($h['kind'], 'guide-')));
        self::assertSame(['guide-finished', 'guide-begun'], array_column($guide, 'kind'));
        self::assertSame(array_fill(0, 2, 'The Twelve-Minute Practice Plan'), array_column($guide, 'what'));
        self::assertNotNull(DraftPart::query()->find($this->guide->id));
    }
}
