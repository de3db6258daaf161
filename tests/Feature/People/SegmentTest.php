<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Business;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\Models\Version;
use App\People\Fields\OwnFields;
use App\People\Segments\SegmentQuery;
use App\People\Tags\Tagging;
use App\Records\PersonLookup;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\Subscription;
use Lantern\Core\Rules\DeadlineRule;
use Lantern\Core\Rules\EarlierRules;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\Rules;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;

/** The database says of everybody what the core says of each. */
final class SegmentTest extends TestCase
{
    private const PAGE = '01hpage0000000000000000000';

    private const EMAIL = '01hema1l000000000000000000';

    private const DEADLINE = '01hdeadl1ne000000000000000';

    private const EVERYONES = '01heveryone000000000000000';

    private const WEBINAR = '01hweb1nar0000000000000000';

    private const GUIDE = '01hgu1de000000000000000000';

    /** What is chosen from, by what a rule asks for ({@see RuleField}), so that every rule there is gets its examples from itself. */
    private const VALUES = ['tag' => ['cellist', 'Nobody has it'], 'mail' => [self::EMAIL], 'place' => [self::PAGE],
        'deadline' => [self::DEADLINE, self::EVERYONES, 'one that is gone'], 'webinar' => [self::WEBINAR, 'one that is gone'],
        'guide' => [self::GUIDE, 'one that is gone'], 'guide-page' => [self::PAGE, 'one that is gone'],
        'field' => ['first_name', 'level', 'age', 'nothing_known'], 'date' => ['joined', 'lesson_on'],
        'value' => ['ada', 'Beginner', '41', '50.5'], 'number' => [1, 10, 30], 'day' => ['2026-06-14', '2026-05-01']];

    private Business $business;

    private CarbonImmutable $now;

    /** @var list<Person> */
    private array $people = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->business = $this->owner()->business;
        $this->now = CarbonImmutable::parse('2026-06-15 10:30:00');
        CarbonImmutable::setTestNow($this->now);
    }

    /** Sixty people of whom all kinds of things are known. */
    private function sixty(): void
    {
        $dice = new Randomizer(new Mt19937(7));
        $one = fn (array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
        for ($i = 0; $i < 60; $i++) {
            $joined = $this->now->subDays($dice->getInt(0, 90))->subMinutes($dice->getInt(0, 1440));
            $person = Person::query()
                ->create(['business_id' => $this->business->id, 'email' => "P{$i}@Example.com", 'email_key' => "p{$i}@example.com",
                    'first_name' => $one(['', 'Zoë', 'ÖRJAN', 'Ada', 'ada', "O'Neil %_"]), 'last_name' => $one(['', 'Ash', 'Birkmoor']),
                    'phone' => $one(['', '0301234', '+44 1']),
                    'timezone' => $one([null, 'Europe/Berlin', 'America/New_York']), 'joined_at' => $joined,
                    'active_at' => $one([null, $joined, $this->now->subDays(3)]),
                    'unsubscribed_at' => $one([null, null, null, $this->now]), 'pending' => $one([false, false, true]),
                    'marketing' => $one([true, true, false]), 'suppressed' => $one([null, null, null, 'bounced', 'complained'])]);
            foreach (['Cellist', 'Beginner', 'VIP'] as $tag) {
                if ($one([true, false])) {
                    app(Tagging::class)->add($person, $tag, $joined);
                }
            }
            OwnFields::set($person->id, 'level', $one([[], ['Beginner'], ['beginner', 'Teacher'], ['ÜBER']]));
            OwnFields::set($person->id, 'age', [$one(['', '41', '57.5', 'forty', '-3'])]);
            OwnFields::set($person->id, 'lesson_on', [$one(['', '2026-06-10', '2026-06-15', '2026-06-14', '2026-07-01', 'soon'])]);
            foreach ([EventType::Viewed, EventType::Joined, EventType::Downloaded, EventType::Bought] as $type) {
                for ($n = $dice->getInt(0, 2); $n > 0; $n--) {
                    app(Events::class)->take(new NewEvent($type, $this->business, $this->now->subDays($dice->getInt(0, 40)),
                        page: $one([null, self::PAGE]), personId: $person->id));
                }
            }
            if ($one([true, false])) {
                $sent = $this->now->subDays($dice->getInt(1, 30));
                Message::query()->create(['business_id' => $this->business->id, 'person_id' => $person->id,
                    'email_id' => $one([self::EMAIL, '01h0ther000000000000000000']), 'kind' => 'sequence', 'unique_key' => "k{$i}",
                    'name' => 'x',
                    'to_address' => 'x@example.com', 'state' => 'sent', 'due_at' => $sent, 'sent_at' => $sent,
                    'opened_at' => $one([null, $sent]), 'clicked_at' => $one([null, $sent])]);
            }
            foreach ([self::DEADLINE, '01h0therdeadline0000000000'] as $deadline) {
                $ends = $one([null, $this->now->subDay(), $this->now, $this->now->addMinute(), $this->now->addDays(2)]);
                if ($ends !== null) {
                    DB::table('deadline_runs')->insert(['business_id' => $this->business->id, 'funnel_id' => $this->ofDeadlines(),
                        'deadline_id' => $deadline, 'name' => 'x', 'holder' => "p:{$person->id}", 'person_id' => $person->id,
                        'started_at' => Instant::sql($this->now->subDays(3)), 'ends_at' => Instant::sql($ends),
                        'closed_at' => $one([null, null, Instant::sql($this->now)])]);
                }
            }
            $this->registered($person, $one);
            $this->reads($person, $one);
            // As if all that had been said of them; what they did here was told as it happened.
            DB::table('people')->where('id', $person->id)->update(['warmth' => ($i * 37) % 101]);
            $this->people[] = $person->refresh()->load(['business', 'tags']);
        }
        DB::table('deadline_runs')->insert(['business_id' => $this->business->id, 'funnel_id' => $this->ofDeadlines(),
            'deadline_id' => self::EVERYONES, 'name' => 'x', 'holder' => 'everyone', 'started_at' => Instant::sql($this->now->subDays(3)),
            'ends_at' => Instant::sql($this->now->addDay())]);
    }

    /** @param  callable(list<mixed>): mixed  $one */
    private function reads(Person $person, callable $one): void
    {
        // Of another guide all have read everything.
        foreach ([[self::GUIDE, self::PAGE], ['01h0thergu1de0000000000000', '01h0therpage00000000000000']] as [$guide, $page]) {
            if ($guide === self::GUIDE && $one([true, false, false])) {
                continue;
            }
            $when = fn (): ?string => $one([null, Instant::sql($this->now->subDay()), Instant::sql($this->now->subDays(20))]);
            DB::table('guide_progress')->insert(['person_id' => $person->id, 'guide_id' => $guide, 'funnel_id' => $this->ofDeadlines(),
                'opened_at' => Instant::sql($this->now), 'last_at' => Instant::sql($this->now), 'begun_at' => $when(),
                'finished_at' => $when(), 'share' => $one([0, 5, 10, 30, 50, 100])]);
            DB::table('guide_pages_seen')->insert(['person_id' => $person->id, 'guide_id' => $guide, 'page_id' => $page,
                'read_at' => $when()]);
        }
    }

    /** @param  callable(list<mixed>): mixed  $one */
    private function registered(Person $person, callable $one): void
    {
        $funnel = $this->ofDeadlines();
        $version = (string) (DB::table('versions')->value('id') ?? Version::query()->create(['funnel_id' => $funnel, 'number' => 1,
            'plan' => [], 'fingerprint' => '', 'published_at' => $this->now])->id);
        // The one before them, or one of some time ago; of another webinar all did everything.
        foreach ([[self::WEBINAR, 1], [self::WEBINAR, null], ['01h0therweb1nar00000000000', 1]] as [$webinar, $open]) {
            $columns = $open === null ? ['attended_at', 'saw_offer_at', 'left_early_at', 'missed_at', 'watched_replay_at'] : [];
            $state = $open === null ? 'over' : $one(['registered', 'waiting']);
            if ($webinar !== self::WEBINAR || $one([true, false])) {
                DB::table('registrations')->insert(['id' => Ids::next(), 'business_id' => $this->business->id, 'funnel_id' => $funnel,
                    'version_id' => $version, 'webinar_id' => $webinar, 'person_id' => $person->id, 'session_key' => 'd',
                    'starts_at' => Instant::sql($this->now), 'ends_at' => Instant::sql($this->now), 'zone' => 'UTC', 'state' => $state,
                    'open' => $open, 'registered_at' => Instant::sql($this->now), 'chosen_at' => Instant::sql($this->now)]
                    + array_map(fn (): ?string => $one([null, Instant::sql($this->now)]), array_flip($columns)));
            }
        }
    }

    private function ofDeadlines(): string
    {
        return (string) (DB::table('funnels')->value('id') ?? $this->draft(User::query()->firstOrFail())->id);
    }

    /** @return list<array<string, mixed>> every choice that a kind of rule offers, with a few values of what else it asks for */
    private static function examplesOf(string $class): array
    {
        $examples = [['kind' => $class::kind()]];
        foreach ($class::fields() as $field) {
            $sets = $field->type === 'choice' ? array_column($field->options, 'sets')
                : array_map(fn (string|int $v): array => [$field->name => $v],
                    self::VALUES[$field->type] ?? self::fail("SegmentTest::VALUES has nothing of “{$field->type}” to choose from"));
            $more = [];
            foreach ($examples as $example) {
                array_push($more, ...$field->appliesTo($example) ? [...$field->optional ? [$example] : [],
                    ...array_map(fn (array $s): array => $s + $example, $sets)] : [$example]);
            }
            $examples = $more;
        }

        return $examples;
    }

    public function test_every_rule_there_is_finds_in_the_database_whom_it_means_and_some_of_all_by_each_choice(): void
    {
        $this->sixty();
        $facts = array_map(fn (Person $p) => PersonLookup::forRules($p, $this->now), $this->people);
        $query = new SegmentQuery($this->business, $this->now);
        foreach (Rules::KINDS as $class) {
            $some = [];
            foreach (self::examplesOf($class) as $example) {
                try {
                    $group = new Group(true, [Rules::fromShape(Shape::of($example))]);
                } catch (Invalid) {
                    continue; // such as more than a name
                }
                $expected = array_values(array_map(fn (int $i): string => $this->people[$i]->email,
                    array_keys(array_filter($facts, fn (PersonState $p): bool => $group->holds($p, $this->now)))));
                $found = $query->people($group)->pluck('email')->all();
                sort($expected);
                sort($found);
                self::assertSame($expected, $found, (string) json_encode($example));
                if ($expected !== [] && count($expected) < count($facts)) {
                    $some[] = $example;
                }
            }
            foreach ($class::fields() as $field) {
                foreach ($field->type === 'choice' ? $field->options : [] as $option) {
                    self::assertNotSame([], array_filter($some, fn (array $e): bool => array_intersect_key($e, $option['sets'])
                        == $option['sets']), "{$class}: “{$option['label']}” finds some of them, and not all");
                }
            }
            self::assertNotSame([], $some, $class);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function cases(): iterable
    {
        // Written as they were until format 4, so that bringing them up to date is tried with each.
        $rule = fn (mixed ...$r): array => EarlierRules::upgrade(array_filter(array_combine(array_slice(['what', 'is', 'of', 'value',
            'within', 'did'], 0, count($r)), $r), fn ($v): bool => $v !== '' && $v !== 0));
        yield 'everybody' => [['all' => true, 'rules' => []]];
        foreach (['first_name', 'last_name', 'email', 'phone', 'timezone', 'level', 'age', 'nothing_known'] as $of) {
            foreach (['equal', 'other', 'contains', 'without', 'begins'] as $is) {
                foreach (['ADA', 'ö', '%', '_', "o'neil %_", 'Beginner', 'p1', 'Europe/berlin', '41', 'über'] as $value) {
                    yield "{$of} {$is} {$value}" => [['all' => true, 'rules' => [$rule('field', $is, $of, $value)]]];
                }
            }
            foreach (['filled', 'empty'] as $is) {
                yield "{$of} {$is}" => [['all' => true, 'rules' => [$rule('field', $is, $of)]]];
            }
        }
        foreach (['more', 'less'] as $is) {
            foreach (['41', '-3', '50.5', '0'] as $value) {
                yield "age {$is} {$value}" => [['all' => true, 'rules' => [$rule('field', $is, 'age', $value)]]];
                yield "level {$is} {$value}" => [['all' => true, 'rules' => [$rule('field', $is, 'level', $value)]]];
            }
        }
        foreach (['has', 'not'] as $is) {
            foreach (['cellist', 'VIP', 'Nobody has it'] as $tag) {
                yield "tag {$is} {$tag}" => [['all' => true, 'rules' => [$rule('tag', $is, '', $tag)]]];
            }
            foreach (Deed::cases() as $did) {
                foreach ([['', 0], ['', 10], [self::PAGE, 0], [self::PAGE, 20], [self::EMAIL, 0], [self::EMAIL, 15]] as [$of, $within]) {
                    yield "{$is} {$did->value} {$of} {$within}" => [['all' => true,
                        'rules' => [$rule('did', $is, $of, '', $within, $did->value)]]];
                }
            }
        }
        foreach (DeadlineRule::STATES as $state) {
            foreach ([self::DEADLINE, self::EVERYONES, 'one that is gone'] as $deadline) {
                yield "deadline {$state} {$deadline}" => [['all' => true, 'rules' => [['kind' => 'deadline', 'state' => $state,
                    'deadline' => $deadline]]]];
            }
        }
        foreach (['joined', 'active', 'lesson_on', 'nothing_known'] as $of) {
            foreach (['before', 'after'] as $is) {
                foreach (['2026-06-14', '2026-06-15', '2026-05-01', '2026-03-29'] as $day) {
                    yield "{$of} {$is} {$day}" => [['all' => true, 'rules' => [$rule('date', $is, $of, $day)]]];
                }
            }
            foreach (['within', 'longer'] as $is) {
                foreach ([1, 5, 30] as $days) {
                    yield "{$of} {$is} {$days}" => [['all' => true, 'rules' => [$rule('date', $is, $of, '', $days)]]];
                }
            }
        }
        foreach (Subscription::cases() as $subscription) {
            foreach (['equal', 'other'] as $is) {
                yield "{$is} {$subscription->value}" => [['all' => true, 'rules' => [$rule('standing', $is, '', $subscription->value)]]];
            }
        }
        foreach (['mild', 'warm', 'hot'] as $band) {
            foreach ([false, true] as $not) {
                yield ($not ? 'less than ' : 'at least ').$band => [['all' => true, 'rules' => [['kind' => 'warmth', 'not' => $not,
                    'band' => $band]]]];
            }
        }
        $tag = $rule('tag', 'has', '', 'Cellist');
        $new = $rule('date', 'within', 'joined', '', 30);
        $opened = $rule('did', 'has', '', '', 0, 'opened');
        yield 'all of two' => [['all' => true, 'rules' => [$tag, $new]]];
        yield 'any of three' => [['all' => false, 'rules' => [$tag, $new, $opened]]];
        yield 'any, with groups of all' => [['all' => false,
            'rules' => [['all' => true, 'rules' => [$tag, $new]], ['all' => true, 'rules' => [$opened, $rule('tag', 'not', '', 'VIP')]]]]];
        yield 'all, with an empty group' => [['all' => true, 'rules' => [$tag, ['all' => false, 'rules' => []]]]];
        yield 'four deep' => [['all' => true,
            'rules' => [['all' => false, 'rules' => [['all' => true, 'rules' => [['all' => false, 'rules' => [$tag, $opened]]]], $new]]]]];
    }

    public function test_the_database_and_the_core_agree_on_everybody(): void
    {
        $this->sixty();
        $facts = array_map(fn (Person $p) => PersonLookup::forRules($p, $this->now), $this->people);
        $query = new SegmentQuery($this->business, $this->now);
        $found = $none = 0;
        foreach (self::cases() as $name => [$rules]) {
            $group = Group::fromArray($rules);
            $expected = array_map(fn (Person $p): string => $p->email,
                array_values(array_filter($this->people,
                    fn (Person $p): bool => $group->holds($facts[array_search($p, $this->people, true)], $this->now))));
            $ids = $query->people($group)->pluck('email')->all();
            sort($expected);
            sort($ids);
            self::assertSame($expected, $ids, $name);
            self::assertSame(count($expected), $query->count($group), $name);
            self::assertEquals($group, Group::fromArray($group->toArray()), $name);
            $expected === [] ? $none++ : $found++;
        }
        self::assertGreaterThan(120, $found, 'most rules find somebody here, or the test shows little');
        self::assertGreaterThan(20, $none);
    }

    /** Somebody of whom something odd is known. @param  array<string, list<string>>  $own  @param  array<string, mixed>  $columns */
    private function odd(array $own, array $columns = []): void
    {
        $n = count($this->people);
        $person = Person::query()->create($columns + ['business_id' => $this->business->id, 'email' => "odd{$n}@example.com",
            'email_key' => "odd{$n}@example.com", 'joined_at' => $this->now]);
        foreach ($own as $name => $values) {
            OwnFields::set($person->id, $name, $values);
        }
        $this->people[] = $person->refresh()->load(['business', 'tags']);
    }

    /** @param  list<array<string, mixed>>  $rules */
    private function assertAgreed(array $rules): void
    {
        $query = new SegmentQuery($this->business->refresh(), $this->now);
        $facts = collect($this->people)->keyBy('id')->sortKeys()
            ->map(fn (Person $p) => PersonLookup::forRules($p->fresh(['business', 'tags']), $this->now))->all();
        $found = 0;
        foreach ($rules as $rule) {
            $group = Group::fromArray(['all' => true, 'rules' => [$rule]]);
            $expected = array_keys(array_filter($facts, fn (PersonState $person): bool => $group->holds($person, $this->now)));
            self::assertSame($expected, $query->people($group)->whereIn('id', array_keys($facts))->orderBy('id')->pluck('id')->all(),
                (string) json_encode($rule, JSON_UNESCAPED_UNICODE));
            $found += count($expected);
        }
        self::assertGreaterThan(0, $found);
    }

    public function test_they_agree_on_long_answers_capitals_of_all_letters_and_what_only_looks_like_a_number(): void
    {
        $long = str_repeat('Über die Maßen ', 60).'GEDULDIG';
        $this->odd(['level' => [$long]]);
        $this->odd(['level' => [mb_substr($long, 0, 300)]]);
        $this->odd(['level' => [str_repeat('İ', 160).'Z']]);
        $this->odd([], ['phone' => '+49', 'email' => 'ÖRJAN@example.com', 'first_name' => '12', 'last_name' => 'ÉCLAIR']);
        $this->odd([], ['phone' => 'ÄRZTEHAUS 7', 'first_name' => '1e3']);
        foreach (['1e3', '+5', '.5', '5.', ' 6', '0x1A', '999999999999999', '999999999999998', '0.000000000000001', '-0', '1e999',
            str_repeat('9', 400), '5', '12,5', '2026-02-30'] as $value) {
            $this->odd(['level' => [$value]]);
        }
        $this->odd(['level' => ['3', '70', 'x']]);
        $rules = [];
        foreach (['level', 'phone', 'email', 'first_name', 'last_name', 'timezone'] as $field) {
            foreach (['equal', 'other', 'contains', 'without', 'begins'] as $compare) {
                foreach (['geduldig', mb_substr($long, 0, 300), mb_substr($long, 0, 299), 'örjan', 'Ärzte', 'éclair',
                    'ÖRJAN@EXAMPLE.COM',
                    str_repeat('İ', 150), 'z', '5', '12'] as $value) {
                    $rules[] = ['kind' => 'field', 'field' => $field, 'compare' => $compare, 'value' => $value];
                }
            }
            foreach (['more', 'less'] as $compare) {
                foreach (['0', '5', '6', '999999999999998', '-1', '0.5', '1000', '1e3'] as $value) {
                    $rules[] = ['kind' => 'field', 'field' => $field, 'compare' => $compare, 'value' => $value];
                }
            }
        }
        $this->assertAgreed($rules);
    }

    /** @return iterable<string, array{string, string}> */
    public static function skippedMidnights(): iterable
    {
        yield 'Santiago, where midnight is skipped' => ['America/Santiago', '2026-09-06'];
        yield 'Havana, where midnight is skipped' => ['America/Havana', '2026-03-08'];
        yield 'Havana, where midnight happens twice' => ['America/Havana', '2026-11-01'];
        yield 'Beirut' => ['Asia/Beirut', '2026-03-29'];
        yield 'Apia, where a whole day was skipped' => ['Pacific/Apia', '2011-12-30'];
        yield 'Berlin' => ['Europe/Berlin', '2026-03-29'];
    }

    #[DataProvider('skippedMidnights')]
    public function test_they_agree_on_days_at_whose_midnight_the_clocks_jump_on_several_days_and_on_days_there_are_not(string $zone,
        string $day): void
    {
        $this->business->forceFill(['timezone' => $zone])->save();
        $around = array_map(fn (int $n): string => CarbonImmutable::parse($day)->addDays($n)->format('Y-m-d'), range(-2, 2));
        foreach ([...$around, '2026-02-30', '2026-13-01', '0000-00-00', '9999-12-31', '1999-12-31', '2999-12-31', 'soon', ''] as $known) {
            $this->odd(['lesson_on' => [$known]], ['phone' => $known]);
        }
        $this->odd(['lesson_on' => [$around[0], $around[4]], 'phone' => [$day]]);
        foreach ([-86_400, -3600, -1, 0, 1, 1800, 3600, 7200, 86_399, 86_400, 90_000] as $seconds) {
            $this->odd([], ['joined_at' => CarbonImmutable::parse($day, $zone)->addSeconds($seconds)]);
        }
        foreach ([0, 3600, 43_200] as $second) {
            $rules = [];
            $this->now = CarbonImmutable::parse($day, $zone)->addDay()->addSeconds($second)->addMicroseconds($second === 0 ? 0 : 123_456)
                ->utc();
            foreach (['lesson_on', 'joined', 'active', 'phone', 'nothing_known'] as $date) {
                foreach ($second === 0 ? $around : [] as $d) {
                    $rules[] = ['kind' => 'date', 'date' => $date, 'compare' => 'before', 'day' => $d];
                    $rules[] = ['kind' => 'date', 'date' => $date, 'compare' => 'after', 'day' => $d];
                }
                foreach ([1, 2, 3] as $days) {
                    $rules[] = ['kind' => 'date', 'date' => $date, 'compare' => 'within', 'days' => $days];
                    $rules[] = ['kind' => 'date', 'date' => $date, 'compare' => 'longer', 'days' => $days];
                }
            }
            $this->assertAgreed($rules);
        }
    }

    public function test_every_kind_of_rule_is_a_query_too(): void
    {
        foreach (Rules::KINDS as $class) {
            self::assertStringEndsWith('\\Rules\\'.class_basename($class),
                SegmentQuery::sql($class::fromShape(Shape::of(['tag' => 'x', 'value' => 'x',
                    'deadline' => 'x', 'webinar' => 'x', 'with' => 'x'] + $class::fresh())))::class);
        }
    }

    public function test_somebody_elses_people_are_never_found(): void
    {
        $this->odd([]);
        $other = $this->owner('other@ferncroft.example')->business;

        self::assertSame(0, (new SegmentQuery($other, $this->now))->count(Group::everybody()));
    }

    public function test_whoever_was_erased_is_nobody(): void
    {
        $this->odd([]);
        $this->odd([]);
        $this->people[0]->forceFill(['erased_at' => $this->now])->save();

        self::assertSame(1, (new SegmentQuery($this->business, $this->now))->count(Group::everybody()));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $deep = ['all' => true, 'rules' => []];
        for ($i = 0; $i < 5; $i++) {
            $deep = ['all' => true, 'rules' => [$deep]];
        }
        yield 'five deep' => [$deep, 'deep at most'];
        yield 'no kind' => [['rules' => [['kind' => 'moon']]], 'not known here'];
        yield 'no tag' => [['rules' => [['kind' => 'tag', 'tag' => '']]], 'Choose a tag'];
        yield 'no field' => [['rules' => [['kind' => 'field', 'field' => 'a b; drop table people', 'compare' => 'equal', 'value' => 'x']]],
            'Choose a field'];
        yield 'no number' => [['rules' => [['kind' => 'field', 'field' => 'age', 'compare' => 'more', 'value' => 'old']]], 'need a number'];
        yield 'no comparison' => [['rules' => [['kind' => 'field', 'field' => 'age', 'compare' => 'like', 'value' => 'x']]],
            'how the field is compared'];
        yield 'no value' => [['rules' => [['kind' => 'field', 'field' => 'age', 'compare' => 'equal', 'value' => ' ']]], 'compared with'];
        yield 'no such day' => [['rules' => [['kind' => 'date', 'date' => 'joined', 'compare' => 'before', 'day' => '2026-02-30']]],
            'Choose a day'];
        yield 'no days' => [['rules' => [['kind' => 'date', 'date' => 'joined', 'compare' => 'within']]], 'how many days'];
        yield 'no standing' => [['rules' => [['kind' => 'subscription', 'subscription' => 'rich']]], 'subscription state'];
        yield 'nothing done' => [['rules' => [['kind' => 'deed', 'deed' => 'flew']]], 'none of'];
        yield 'words for a list' => [['rules' => 'everybody'], 'A list was expected'];
        yield 'too many' => [['rules' => array_fill(0, 41, ['kind' => 'tag', 'tag' => 'x'])], 'too many'];
    }

    /** @param  array<string, mixed>  $rules */
    #[DataProvider('wrong')]
    public function test_rules_that_cannot_be(array $rules, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        Group::fromArray($rules);
    }

    public function test_rules_in_words(): void
    {
        $group = Group::fromArray(['all' => true,
            'rules' => [['kind' => 'tag', 'tag' => 'Cellist'], ['all' => false, 'rules' => [
                ['kind' => 'deed', 'deed' => 'opened', 'not' => true, 'with' => self::EMAIL, 'days' => 30],
                ['kind' => 'date', 'date' => 'active', 'compare' => 'longer', 'days' => 1],
                ['kind' => 'field', 'field' => 'level', 'compare' => 'begins', 'value' => 'B']]],
                ['kind' => 'subscription', 'not' => true, 'subscription' => 'bounced'], ['kind' => 'deed', 'deed' => 'bought']]]);

        self::assertSame('has the tag “Cellist” and (did not open “Welcome” in the last 30 days or was last active more than a '
            .'day ago or “Level” begins with “B”) and not: address does not work and bought anything',
            $group->words(fn (string $id): string => [self::EMAIL => 'Welcome', 'level' => 'Level'][$id] ?? $id));
    }
}
