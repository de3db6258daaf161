<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Deadlines\DeadlineNumbers;
use App\Deadlines\MovingRuns;
use App\Models\DraftPart;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;

/** Deadlines of many at once, of people who come in from elsewhere, and of strangers who will not come back. */
final class ManyRunsTest extends DeadlineTestCase
{
    public function test_thousands_that_end_in_one_second_run_before_it_and_are_over_with_it(): void
    {
        $people = $runs = [];
        for ($i = 0; $i < 2_000; $i++) {
            $people[] = ['id' => $id = sprintf('01q%023d', $i), 'business_id' => $this->seller->business_id, 'email' => "q{$i}@example.com",
                'email_key' => "q{$i}@example.com", 'joined_at' => '2026-11-01 10:00:00'];
            $runs[] = ['business_id' => $this->seller->business_id, 'funnel_id' => $this->funnel->id, 'deadline_id' => $this->deadline,
                'name' => 'x', 'holder' => "p:{$id}", 'person_id' => $id, 'number' => 1, 'started_at' => '2026-11-27 09:00:00.000',
                'ends_at' => '2026-11-30 19:00:00.000', 'why' => 'Clicked.'];
        }
        foreach (array_chunk($people, 200) as $i => $some) {
            DB::table('people')->insert($some);
            DB::table('deadline_runs')->insert(array_chunk($runs, 200)[$i]);
        }
        $at = fn (string $moment): array => array_slice(DeadlineNumbers::of($this->deadline, CarbonImmutable::parse($moment, 'UTC')), 0, 3);

        self::assertSame(['running' => 2_000, 'ending' => 2_000, 'over' => 0], $at('2026-11-30 18:59:59.999'));
        self::assertSame(['running' => 0, 'ending' => 0, 'over' => 2_000], $at('2026-11-30 19:00:00'));
        // Whoever comes in that second is told what all of them are told.
        $this->travelTo('2026-11-30 19:00:00');
        $this->withCookie('lantern_reader', $people[1_999]['id']);
        $this->assertLedTo(PageRole::Closed, $this->get($this->url(PageRole::Sales)));
        $moving = app(MovingRuns::class);
        self::assertNull($moving->move($this->funnel->liveVersion ?? self::fail('It is live.'), $this->deadline, 0, CarbonImmutable::now()),
            'and what is over is moved by nothing');
    }

    public function test_a_list_that_is_imported_leaves_the_deadlines_of_those_in_it_as_they_are(): void
    {
        $robin = $this->reader();
        $this->click($robin);
        $end = $this->end($robin);
        $import = $this->actingAs($this->seller)->post('/studio/api/imports', ['file' => UploadedFile::fake()->createWithContent('list.csv',
            "Email,First name,Time zone\nROBIN@example.com,Robin,Pacific/Auckland\nnew@example.com,New,Europe/Oslo\n")],
            ['Accept' => 'application/json'])->assertCreated()->json();
        $this->postJson("/studio/api/imports/{$import['id']}/start", ['columns' => $import['reading']['guess'], 'agreed' => true])
            ->assertOk();
        $this->runQueue();

        self::assertSame(1, DB::table('people')->where('email', 'new@example.com')->count());
        self::assertSame([$end, 1], [$this->end($robin), DB::table('deadline_runs')->count()]);
    }

    public function test_what_is_kept_of_strangers_goes_when_it_can_serve_no_more(): void
    {
        $this->changeDeadline(['starts' => [['kind' => 'page', 'page' => $this->page(PageRole::Sales)]], 'duration' => ['minutes' => 15],
            'pages' => [['page' => $this->page(PageRole::Sales)]], 'byAddress' => true]);
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.7'])->get($this->url(PageRole::Sales))->assertOk();
        $kept = fn (): array => array_map(fn (string $t): array => DB::table($t)->orderBy('holder')->pluck('holder')
            ->map(fn (mixed $h): string => substr((string) $h, 0, 1))->all(), ['deadline_facts', 'deadline_runs']);
        $robin = $this->reader();
        $this->anotherBrowser()->withCookie('lantern_reader', $robin->id)->get($this->url(PageRole::Sales))->assertOk();
        $this->artisan('lantern:tidy');
        self::assertSame([['a', 'p', 'v'], ['a', 'p', 'v']], $kept());

        $this->travel(399)->days();
        $this->artisan('lantern:tidy');
        self::assertSame([['a', 'p', 'v'], ['a', 'p', 'v']], $kept());
        $this->travel(2)->days();
        $this->artisan('lantern:tidy');
        self::assertSame([['a', 'p'], ['a', 'p']], $kept());
        DraftPart::query()->findOrFail($this->deadline)->change(['byAddress' => false])->save();
        $this->publish();
        $this->artisan('lantern:tidy');
        self::assertSame([['p'], ['p']], $kept(), 'what belongs to people stays with them');
    }
}
