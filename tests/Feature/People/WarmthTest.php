<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Deadlines\Joining;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\People\Privacy\Erase;
use App\People\Privacy\Merge;
use App\Publishing\Publishing;
use App\Results\Counts;
use App\Warmth\Scores;
use App\Warmth\WarmDays;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\Weights;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** How warm people are: kept in step with what they do, the same for one and for all, and gone with them. */
final class WarmthTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-05-10 12:00:00');
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
    }

    private function person(string $name): Person
    {
        return Person::query()->create(['business_id' => $this->owner->business_id, 'email' => "{$name}@example.com",
            'email_key' => "{$name}@example.com", 'joined_at' => now()])->load('business');
    }

    private function does(Person $person, EventType $type, int $ago = 0, bool $owner = false): void
    {
        app(Events::class)->take(new NewEvent($type, $this->owner->business, CarbonImmutable::now()->subDays($ago), $this->funnel,
            personId: $person->id, owner: $owner));
    }

    private function warmth(Person $person): int
    {
        return (int) DB::table('people')->where('id', $person->id)->value('warmth');
    }

    public function test_it_follows_what_somebody_does_once_a_day_and_fades_each_day(): void
    {
        $ada = $this->person('ada');
        $this->does($ada, EventType::Clicked);
        $this->does($ada, EventType::Clicked);
        $this->does($ada, EventType::Opened, 1);
        $this->does($ada, EventType::Bought, owner: true);
        self::assertSame(7, $this->warmth($ada));
        Artisan::call('lantern:due');
        self::assertSame(7, $this->warmth($ada));
        $this->travelTo('2027-05-31 12:00:00');
        self::assertEquals(CarbonImmutable::now(), app(Scores::class)->next(CarbonImmutable::now()));
        Artisan::call('lantern:due');
        self::assertSame(3, $this->warmth($ada), 'half of it is left, and of a day before a little less');
        // Not before the next day begins on the owner's clocks.
        self::assertSame('2027-05-31 22:00', app(Scores::class)->next(CarbonImmutable::now())?->format('Y-m-d H:i'));
    }

    public function test_what_the_database_adds_up_is_what_the_core_says_of_each(): void
    {
        $dice = new Randomizer(new Mt19937(5));
        $types = [EventType::Joined, EventType::Clicked, EventType::Opened, EventType::Downloaded, EventType::Bought, EventType::Attended,
            EventType::SawOffer, EventType::Unsubscribed];
        for ($i = 0; $i < 30; $i++) {
            $person = $this->person("p{$i}");
            for ($n = $dice->getInt(0, 12); $n > 0; $n--) {
                $this->does($person, $types[$dice->getInt(0, count($types) - 1)], $dice->getInt(0, 200));
            }
            $person->forceFill(['unsubscribed_at' => $dice->getInt(0, 5) === 0 ? now() : null])->save();
        }
        foreach ([Weights::usual(), Weights::of(['opened' => 0, 'bought' => 100], 3), Weights::of([], 365)] as $weights) {
            $this->owner->business->forceFill(['warmth' => $weights->toArray()])->save();
            app(Scores::class)->refresh($this->owner->business, CarbonImmutable::now());
            $previewed = array_column(app(Scores::class)->preview($this->owner->business, $weights, CarbonImmutable::now(), 100),
                null, 'id');
            foreach (Person::query()->with('business')->get() as $person) {
                $score = Scores::ofPerson($person, $weights, CarbonImmutable::now());
                self::assertSame($person->unsubscribed_at === null ? $this->warmth($person) : 0, $score->value, $person->email);
                self::assertSame($person->unsubscribed_at === null, isset($previewed[$person->id]));
                if ($person->unsubscribed_at === null) {
                    self::assertSame([$score->value, $score->value], [$previewed[$person->id]['now'], $previewed[$person->id]['then']]);
                }
            }
        }
        // Made anew from the events, all of it is the same.
        $kept = DB::table('warm_days')->orderBy('person_id')->orderBy('action')->orderBy('day')->get()->all();
        app(WarmDays::class)->rebuild($this->owner->business);
        self::assertEquals($kept, DB::table('warm_days')->orderBy('person_id')->orderBy('action')->orderBy('day')->get()->all());
        self::assertGreaterThan(50, count($kept));
    }

    public function test_of_much_that_happens_at_once_all_is_counted_at_its_end(): void
    {
        $ada = $this->person('ada');
        $days = fn (): array => DB::table('warm_days')->orderBy('action')->pluck('action')->all();
        $counted = fn (): int => (int) DB::table('counts')->where('measure', 'signups')->where('slice', '')->sum('how_many');
        app(Counts::class)->afterwards(fn () => app(WarmDays::class)->afterwards(function () use ($ada, $days, $counted): void {
            $this->does($ada, EventType::Joined);
            $this->does($ada, EventType::Clicked);
            self::assertSame([[], 0], [$days(), $counted()]);
        }));
        self::assertSame([['clicked', 'joined'], 1], [$days(), $counted()]);
        $this->does($ada, EventType::Opened);
        self::assertSame(['clicked', 'joined', 'opened'], $days(), 'from then on as it happens');
    }

    public function test_what_a_browser_did_before_it_was_known_is_theirs(): void
    {
        $visitor = md5('browser');
        $page = $this->entry($this->funnel)->id;
        DB::table('published_pages')->where('page_id', $page)->update(['role' => 'sales']);
        app(Events::class)->take(new NewEvent(EventType::Viewed, $this->owner->business, CarbonImmutable::now(), $this->funnel,
            page: $page, visitor: $visitor));
        $ada = $this->person('ada');
        self::assertSame(0, $this->warmth($ada));
        app(Joining::class)->join($visitor, $ada->id, CarbonImmutable::now());
        self::assertSame(Action::SawSales->usual(), $this->warmth($ada));
    }

    public function test_people_who_are_merged_have_what_both_did_and_who_is_forgotten_nothing(): void
    {
        [$ada, $fen] = [$this->person('ada'), $this->person('fen')];
        $this->does($ada, EventType::Clicked);
        $this->does($fen, EventType::Clicked);
        $this->does($fen, EventType::Bought);
        app(Merge::class)->merge($ada, $fen);
        self::assertSame(31, $this->warmth($ada));
        self::assertSame(2, DB::table('warm_days')->count());
        app(Erase::class)->person($ada->refresh());
        self::assertSame(0, DB::table('warm_days')->count());
        self::assertSame(0, Scores::ofPerson($ada->refresh(), Weights::usual(), CarbonImmutable::now())->value);
    }

    public function test_the_list_says_whom_to_write_to_first_and_why(): void
    {
        [$ada, $fen, $gus, $ike] = array_map($this->person(...), ['ada', 'fen', 'gus', 'ike']);
        foreach ([0, 1, 2, 3] as $ago) {
            $this->does($ada, EventType::Clicked, $ago);
        }
        $this->does($ada, EventType::Attended);
        $this->does($fen, EventType::Bought);
        $this->does($gus, EventType::Opened);
        $this->does($ike, EventType::Bought);
        $ike->forceFill(['unsubscribed_at' => now()])->save();
        $this->actingAs($this->owner);
        $list = $this->getJson('/studio/api/warmth')->assertOk()->assertJsonCount(2, 'people')->assertJsonPath('people.0.id', $ada->id)
            ->assertJsonPath('people.0.band', 'warm')->assertJsonPath('people.1.score', 25);
        self::assertSame('Clicked in an email on 4 days, came to a webinar.', $list->json('people.0.reason'));
        self::assertSame(['hot' => 0, 'warm' => 1, 'mild' => 1, 'cold' => 1], array_column($list->json('bands'), 'people', 'band'));
        $this->getJson('/studio/api/warmth?most=1')->assertJsonCount(1, 'people');
        // On the person it is explained.
        $this->getJson("/studio/api/people/{$ada->id}")->assertOk()->assertJsonPath('warmth.score', 38)
            ->assertJsonPath('warmth.parts.0.action', 'clicked')->assertJsonPath('warmth.parts.0.times', 4)
            ->assertJsonPath('warmth.raises.0.to', 63);
        $this->getJson("/studio/api/people/{$ike->id}")->assertJsonPath('warmth.score', 0)
            ->assertJsonPath('warmth.sentence', 'Cold: they have unsubscribed.');
        // Whoever was spoken to makes room for the next, for two weeks.
        $this->postJson("/studio/api/people/{$ada->id}/spoken")->assertOk();
        $this->getJson('/studio/api/warmth')->assertJsonPath('people.0.id', $fen->id);
        $this->deleteJson("/studio/api/people/{$ada->id}/spoken")->assertOk()->assertJsonPath('spokenAt', null);
        $this->getJson('/studio/api/warmth')->assertJsonPath('people.0.id', $ada->id);
        $this->postJson("/studio/api/people/{$ada->id}/spoken");
        $this->travel(15)->days();
        $this->getJson('/studio/api/warmth')->assertJsonPath('people.0.id', $ada->id);
    }

    public function test_other_weights_are_tried_first_and_then_hold_for_everybody(): void
    {
        [$ada, $fen] = [$this->person('ada'), $this->person('fen')];
        $this->does($ada, EventType::Opened);
        $this->does($fen, EventType::Clicked);
        $this->actingAs($this->owner);
        $weights = ['points' => ['opened' => 50], 'halfLife' => 7];
        $this->postJson('/studio/api/warmth/preview', $weights)->assertOk()->assertJsonPath('people.0.id', $ada->id)
            ->assertJsonPath('people.0.now', 1)->assertJsonPath('people.0.then', 50)->assertJsonPath('people.1.then', 6);
        self::assertSame(1, $this->warmth($ada), 'tried is not kept');
        $this->putJson('/studio/api/warmth', $weights)->assertOk()->assertJsonPath('weights.halfLife', 7);
        self::assertSame(50, $this->warmth($ada));
        foreach ([['halfLife' => 0], ['halfLife' => -1], ['points' => ['opened' => -5]], ['points' => ['opened' => 1e9]],
            ['points' => 'all']] as $wrong) {
            $this->putJson('/studio/api/warmth', $wrong)->assertUnprocessable();
            $this->postJson('/studio/api/warmth/preview', $wrong)->assertUnprocessable();
        }
        self::assertSame(50, $this->warmth($ada));
        // Nobody's weights or people but one's own.
        $stranger = $this->owner('stranger@ferncroft.example');
        $this->actingAs($stranger)->getJson('/studio/api/warmth')->assertJsonCount(0, 'people')->assertJsonPath('weights.halfLife', 21);
        $this->postJson('/studio/api/warmth/preview', $weights)->assertJsonCount(0, 'people');
        $this->postJson("/studio/api/people/{$ada->id}/spoken")->assertNotFound();
    }

    public function test_whoever_becomes_warm_starts_what_waits_for_it_and_the_owner_is_told_if_they_wish(): void
    {
        $sequence = Sequence::query()->firstOrFail();
        $sequence->forceFill(['definition' => ['starts' => [['kind' => 'became-warm']]] + $sequence->definition])->save();
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->actingAs($this->owner)->putJson('/studio/api/warmth/notices', ['on' => true])->assertOk()->assertJsonPath('notices', true);
        [$ada, $fen] = [$this->person('ada'), $this->person('fen')];
        $fen->forceFill(['unsubscribed_at' => now()])->save();
        foreach ([$ada, $fen] as $person) {
            $this->does($person, EventType::Bought);
            self::assertSame(0, DB::table('enrolments')->count());
        }
        foreach ([$ada, $fen, $ada] as $person) {
            $this->does($person, EventType::Clicked);
            $this->does($person, EventType::Attended);
        }
        self::assertSame([$ada->id], DB::table('events')->where('type', 'became-warm')->pluck('person_id')->all(),
            'once, and nobody who left');
        self::assertSame([$ada->id], DB::table('enrolments')->pluck('person_id')->all());
        foreach ([1, 2] as $again) {
            Artisan::call('lantern:due');
            $this->runQueue();
        }
        self::assertSame(['ada@example.com has become warm'], DB::table('messages')->where('kind', 'notice')->pluck('subject')->all());
        // Colder, and warm again, is news again; but not for whoever does not want it.
        $this->putJson('/studio/api/warmth/notices', ['on' => false]);
        $this->travel(60)->days();
        Artisan::call('lantern:due');
        $this->does($ada, EventType::Bought);
        $this->does($ada, EventType::Attended);
        Artisan::call('lantern:due');
        self::assertSame([2, 1], [DB::table('events')->where('type', 'became-warm')->count(),
            DB::table('messages')->where('kind', 'notice')->count()]);
    }

    public function test_suggestions_come_of_the_owners_own_sales_and_of_enough_of_them(): void
    {
        $this->actingAs($this->owner);
        $this->getJson('/studio/api/warmth/suggestions')->assertOk()->assertJson(['buyers' => 0, 'least' => 30, 'actions' => []]);
        $day = fn (int $ago): string => now()->subDays($ago)->format('Y-m-d');
        foreach (range(1, 200) as $n) {
            $person = $this->person("p{$n}")->id;
            $clicks = $n <= 100;
            $buys = $clicks ? $n <= 40 : $n <= 110;
            foreach (['joined' => 20, ...$clicks ? ['clicked' => 12] : [], ...$buys ? ['bought' => 5] : []] as $action => $ago) {
                DB::table('warm_days')->insert(['person_id' => $person, 'action' => $action, 'day' => $day($ago)]);
            }
        }
        // Of those who never joined, of the owner's own tries and of another's people nothing is counted.
        $try = $this->person('try');
        $try->forceFill(['owner_try' => true])->save();
        $import = $this->person('imported');
        foreach ([[$try->id, 'joined', 20], [$try->id, 'bought', 3], [$import->id, 'bought', 3]] as [$id, $action, $ago]) {
            DB::table('warm_days')->insert(['person_id' => $id, 'action' => $action, 'day' => $day($ago)]);
        }
        $this->travel(1)->days();
        $said = $this->getJson('/studio/api/warmth/suggestions')->assertOk()->json();
        self::assertSame(50, $said['buyers']);
        self::assertSame([['id' => 'clicked', 'label' => 'Clicked in an email', 'did' => 80, 'others' => 50, 'times' => 6, 'sure' => 99.9,
            'points' => 26, 'now' => 6]], $said['actions']);
        // Worked out once a day, and the owner's own alone.
        DB::table('warm_days')->where('action', 'bought')->delete();
        self::assertSame(50, $this->getJson('/studio/api/warmth/suggestions')->json('buyers'));
        $this->actingAs($this->owner('other@example.com'));
        $this->getJson('/studio/api/warmth/suggestions')->assertOk()->assertJson(['buyers' => 0]);
    }
}
