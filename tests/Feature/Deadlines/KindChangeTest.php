<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Deadlines\MovingRuns;
use App\Drafts\DraftPlan;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\People\Segments\SegmentQuery;
use App\Publishing\Publishing;
use App\Records\PersonLookup;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Rules\DeadlineRule;
use Lantern\Core\Rules\Group;
use PHPUnit\Framework\Attributes\TestWith;

/** A deadline that runs becomes everybody's at once, or each person's own: pages, checkout, people, segments and emails say the same. */
final class KindChangeTest extends DeadlineTestCase
{
    private const EVERYONE = ['duration' => null, 'latest' => ['moment' => '2027-06-20T12:00', 'zone' => 'UTC']];

    private const PERSONAL = ['duration' => ['days' => 3, 'time' => '12:00'], 'latest' => null];

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-06-15 12:00:00');
    }

    /** @param  array<string, mixed>  $values */
    private function becomes(array $values, bool $moves): void
    {
        $this->change($values);
        app(Publishing::class)->publish($this->funnel->refresh(), null, '', $moves ? [$this->deadline] : []);
        $this->funnel = Funnel::query()->with(['liveVersion', 'business'])->findOrFail($this->funnel->id);
        $this->runQueue();
    }

    /** @param  array<string, mixed>  $values */
    private function change(array $values): void
    {
        DraftPart::query()->findOrFail($this->deadline)->change($values)->save();
    }

    /** They click in the offer, which begins one of their own where it may. */
    private function startFor(Person $person): void
    {
        $this->anotherBrowser()->click($person);
    }

    /** The page that the deadline guards, in a browser of theirs in which nothing begins. */
    private function assertPageShows(string $state, Person $person): void
    {
        $answer = $this->anotherBrowser()->withCookie('lantern_reader', $person->id)->get($this->url(PageRole::Sales));
        $state === 'running' ? $answer->assertOk()
            : $answer->assertRedirect($this->funnel->url($this->plan()->pageOf(PageRole::Closed)->address
            ?? ''));
    }

    /** @return array<string, mixed> what the person's screen says of it */
    private function screen(Person $person): array
    {
        $told = $this->actingAs(User::query()->firstOrFail())->getJson("/studio/api/people/{$person->id}")->assertOk()->json('deadlines');

        return collect($told)->keyBy('id')->get($this->deadline);
    }

    /** How it stands for somebody, as each place that says it says it. */
    private function assertStands(string $state, ?string $end, Person $person): void
    {
        $now = CarbonImmutable::now();
        $rule = fn (string $is): DeadlineRule => new DeadlineRule($this->deadline, $is);
        foreach (DeadlineRule::STATES as $is) {
            self::assertSame($is === $state, $rule($is)->holds(PersonLookup::forRules($person->refresh()->load('business'), $now), $now),
                "core: {$is}");
            self::assertSame($is === $state, (new SegmentQuery($person->business, $now))->people(new Group(true, [$rule($is)]))
                ->where('people.id', $person->id)->exists(), "segment: {$is}");
        }
        $email = Runs::ofPeople([$person->id], [$this->deadline], CarbonImmutable::now())[$person->id][$this->deadline] ?? null;
        self::assertSame($state === 'running' ? $end : null, $email?->state($now)->isRunning() === true
            ? $email->endsAt->format('Y-m-d H:i') : null, 'emails');
        $screen = $this->screen($person);
        self::assertSame($state, $screen['state'], 'the person’s screen');
        if ($state === 'running') {
            self::assertSame($end, str_replace('T', ' ', substr($screen['endsAt'], 0, 16)), 'the person’s screen');
        }
        $this->assertPageShows($state, $person);
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_from_everyone_to_personal(bool $moves): void
    {
        $this->becomes(self::EVERYONE, false);
        $robin = $this->reader('robin@example.com', 'UTC');
        $this->assertStands('running', '2027-06-20 12:00', $robin);
        $this->change(self::PERSONAL);
        $preview = app(MovingRuns::class)->preview($this->funnel->load(['liveVersion', 'business']), DraftPlan::read($this->funnel),
            CarbonImmutable::now());
        self::assertSame(['personal'], array_column($preview, 'kind'));
        $this->becomes(self::PERSONAL, $moves);

        $moves ? $this->assertStands('not-started', null, $robin) : $this->assertStands('running', '2027-06-20 12:00', $robin);
        self::assertSame($moves, $this->screen($robin)['canStart'], 'what still runs for everyone is not the owner’s to start for one');
        $this->startFor($robin);
        $this->assertStands('running', $moves ? '2027-06-18 12:00' : '2027-06-20 12:00', $robin);
        $this->travelTo('2027-06-20 12:30:00');
        // What everybody was promised is over, and is in nobody's way: whoever begins has three days of their own.
        $wren = $this->reader('wren@example.com', 'UTC');
        $this->assertStands('not-started', null, $wren);
        $this->startFor($wren);
        $this->assertStands('running', '2027-06-23 12:00', $wren);
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_from_personal_to_everyone(bool $moves): void
    {
        $this->becomes(['duration' => ['days' => 9, 'time' => '12:00'], 'latest' => null], false);
        $robin = $this->reader('robin@example.com', 'UTC');
        $wren = $this->reader('wren@example.com', 'UTC');
        $this->startFor($robin);
        $this->assertStands('running', '2027-06-24 12:00', $robin);
        $this->becomes(self::EVERYONE, $moves);

        $this->assertStands('running', $moves ? '2027-06-20 12:00' : '2027-06-24 12:00', $robin);
        $this->assertStands('running', '2027-06-20 12:00', $wren);
        $this->travelTo('2027-06-21 12:00:00');
        $this->assertStands('over', null, $wren);
        $moves ? $this->assertStands('over', null, $robin) : $this->assertStands('running', '2027-06-24 12:00', $robin);
        $this->travelTo('2027-06-25 12:00:00');
        $this->assertStands('over', null, $robin);
        self::assertSame(1, DB::table('deadline_kinds')->where('deadline_id', $this->deadline)->where('personal', false)->count());
    }
}
