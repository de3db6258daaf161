<?php

declare(strict_types=1);

namespace Tests\Feature\Journey;

use App\Models\Message;
use App\Models\Person;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Tests\Feature\Deadlines\DeadlineTestCase;

/** Seeing a page is recorded by the same call that decides what follows from it, whoever reports it. */
final class PageViewsTest extends DeadlineTestCase
{
    private const BROWSER_ID = 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa';

    /** A sequence that begins once somebody sees the sales page so many times. */
    private function startsWith(int $times): void
    {
        $starts = Triggers::fromShape(Shape::of(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]
            + ($times === 1 ? [] : ['times' => $times])]]), 'starts');
        $sequence = $this->add(new SequencePlan(Ids::next(), 'Still thinking', $starts))->id;
        $this->add(new EmailPlan(Ids::next(), 'A question', 'A question', '<p>x</p>', Delay::days(1, 9), $sequence));
        $this->publish();
    }

    private function known(): Person
    {
        $robin = $this->reader();
        DB::table('visitor_person')->insert(['visitor' => self::BROWSER_ID, 'person_id' => $robin->id, 'joined_at' => now()]);

        return $robin;
    }

    /** Their page reports that it is seen. */
    private function see(string $visitor = self::BROWSER_ID, array $headers = []): void
    {
        $this->flushHeaders()->withHeaders($headers + self::BROWSER)->post('/m/view', ['funnel' => $this->funnel->id,
            'page' => $this->page(PageRole::Sales), 'visitor' => $visitor])->assertNoContent();
    }

    private function planned(): int
    {
        return Message::query()->where('name', 'A question')->count();
    }

    public function test_a_sequence_begins_when_somebody_we_know_sees_a_page(): void
    {
        $this->startsWith(1);
        $robin = $this->known();
        $this->see(str_repeat('b', 32));
        self::assertSame(0, $this->planned(), 'a stranger has no address');
        $this->see(headers: ['Sec-Purpose' => 'prefetch']);
        self::assertSame([0, 1], [$this->planned(), DB::table('events')->where('type', 'viewed')->count()], 'and it was not seen');
        $this->see();
        $this->see();

        self::assertSame(1, $this->planned(), 'once');
        self::assertSame([$robin->id, $robin->id], DB::table('events')->where('visitor', self::BROWSER_ID)->pluck('person_id')->all());
    }

    public function test_or_when_they_come_back_to_it_often_enough_on_whatever_device(): void
    {
        $this->startsWith(3);
        $robin = $this->known();
        DB::table('visitor_person')->insert(['visitor' => str_repeat('c', 32), 'person_id' => $robin->id, 'joined_at' => now()]);
        $this->see();
        $this->see(str_repeat('c', 32));
        self::assertSame(0, $this->planned());
        $this->see();
        self::assertSame(1, $this->planned());
    }

    public function test_what_begins_with_the_view_begins_before_the_page_is_drawn_and_is_recorded_once(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]], 'duration' => ['minutes' => 15],
            'pages' => [['page' => $this->page(PageRole::Sales)]]]);
        $this->startsWith(1);
        $robin = $this->known();
        $this->withUnencryptedCookie('lantern_visitor', self::BROWSER_ID);

        $this->get($this->url(PageRole::Sales).'?utm_source=letter')->assertOk()->assertSee(' data-seen', false);
        self::assertNotNull($this->end($robin));
        self::assertSame([['viewed', $robin->id, 'letter']], DB::table('events')->where('page_id', $this->page(PageRole::Sales))
            ->get(['type', 'person_id', 'source'])->map(fn ($e): array => array_values((array) $e))->all());
        self::assertSame(1, $this->planned());
        $this->get($this->url(PageRole::Sales))->assertOk()->assertDontSee(' data-seen', false);
        self::assertSame(1, (int) DB::table('counts')->where('measure', 'views')->sum('how_many'));
    }

    public function test_a_deadline_may_begin_with_the_third_look(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales), 'times' => 3]],
            'duration' => ['minutes' => 15], 'pages' => [['page' => $this->page(PageRole::Sales)]]]);
        $this->withUnencryptedCookie('lantern_visitor', self::BROWSER_ID);
        foreach ([0, 0, 1] as $begun) {
            $seen = $this->get($this->url(PageRole::Sales))->assertOk()->getContent();
            if (! str_contains((string) $seen, ' data-seen')) {
                $this->see();
            }
            self::assertSame($begun, DB::table('deadline_facts')->count());
        }
        self::assertSame(3, DB::table('events')->where('type', 'viewed')->count());
    }
}
