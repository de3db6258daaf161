<?php

declare(strict_types=1);

namespace Tests\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Rules\EarlierRules;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\Rule;
use Lantern\Core\Rules\RuleField;
use Lantern\Core\Rules\Rules;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Kinds of rules: one description gives the words, the pickers and the written form of each. The examples here are kept
 * in a file, by which the Studio's own tests word the same rules.
 */
final class RulesTest extends TestCase
{
    public const FILE = __DIR__.'/../../fixtures/rules.json';

    private const NAMES = ['first_name' => 'First name', 'level' => 'Level', 'since' => 'Plays since', 'e1' => 'Day 3',
        'p1' => 'Opt-in page', 'd1' => 'Three days', 'w1' => 'First Melody', 'g1' => 'Practice Plan',
        'gp1' => 'Minute by minute'];

    /** @return iterable<string, array{array<string, mixed>, string}> a rule, and its words */
    public static function examples(): iterable
    {
        $tag = fn (bool $not): array => ['kind' => 'tag', 'not' => $not, 'tag' => 'VIP'];
        $deed = fn (string $deed, bool $not, array $more = []): array => ['kind' => 'deed', 'deed' => $deed, 'not' => $not] + $more;
        $field = fn (string $compare, string $value = ''): array => ['kind' => 'field', 'field' => 'level', 'compare' => $compare]
            + ($value === '' ? [] : ['value' => $value]);
        $date = fn (string $date, string $compare, string|int $than): array => ['kind' => 'date', 'date' => $date, 'compare' => $compare]
            + (is_int($than) ? ['days' => $than] : ['day' => $than]);
        foreach ([
            ['has the tag “VIP”', $tag(false)],
            ['does not have the tag “VIP”', $tag(true)],
            ['opened anything', $deed('opened', false)],
            ['did not click in “Day 3” in the last 7 days', $deed('clicked', true, ['with' => 'e1', 'days' => 7])],
            ['saw “Opt-in page” in the last day', $deed('viewed', false, ['with' => 'p1', 'days' => 1])],
            ['was sent “something that is gone”', $deed('was-sent', false, ['with' => 'gone'])],
            ['“Level” is “Beginner”', $field('equal', 'Beginner')],
            ['“Level” does not contain “{}”', $field('without', '{}')],
            ['“Level” is not known', $field('empty')],
            ['“Level” is more than “7”', $field('more', '7')],
            ['joined within the last 30 days', $date('joined', 'within', 30)],
            ['was last active more than a day ago', $date('active', 'longer', 1)],
            ['“Plays since” is before 2026-03-29', $date('since', 'before', '2026-03-29')],
            ['“Plays since” is within the last day', $date('since', 'within', 1)],
            ['gets emails', ['kind' => 'subscription', 'not' => false, 'subscription' => 'subscribed']],
            ['not: address does not work', ['kind' => 'subscription', 'not' => true, 'subscription' => 'bounced']],
            ['is at least warm', ['kind' => 'warmth', 'not' => false, 'band' => 'warm']],
            ['is less than hot', ['kind' => 'warmth', 'not' => true, 'band' => 'hot']],
            ['has running “Three days”', ['kind' => 'deadline', 'state' => 'running', 'deadline' => 'd1']],
            ['left early from “First Melody”', ['kind' => 'webinar', 'state' => 'left-early', 'not' => false, 'webinar' => 'w1']],
            ['has finished “Practice Plan”', ['kind' => 'guide', 'did' => 'finished', 'not' => false, 'with' => 'g1']],
            ['has not begun “Practice Plan” in the last 7 days', ['kind' => 'guide', 'did' => 'begun', 'not' => true, 'with' => 'g1',
                'days' => 7]],
            ['has read a share of “Practice Plan” of 40 %', ['kind' => 'guide', 'did' => 'share', 'not' => false, 'with' => 'g1',
                'share' => 40]],
            ['has not read the page “Minute by minute”', ['kind' => 'guide', 'did' => 'page', 'not' => true, 'with' => 'gp1']],
            ['did not attend “First Melody”', ['kind' => 'webinar', 'state' => 'attended', 'not' => true, 'webinar' => 'w1']],
            ['is past the end of “something that is gone”', ['kind' => 'deadline', 'state' => 'over', 'deadline' => 'gone']],
        ] as [$words, $rule]) {
            yield $words => [$rule, $words];
        }
    }

    private static function called(string $id): string
    {
        return self::NAMES[$id] ?? 'something that is gone';
    }

    /** @param  array<string, mixed>  $rule */
    #[DataProvider('examples')]
    public function test_a_rule_is_worded_and_written_by_its_description(array $rule, string $words): void
    {
        $read = Rules::fromShape(Shape::of($rule));

        self::assertSame($words, $read->words(self::called(...)));
        self::assertEquals($rule, $read->toArray());
        self::assertEquals($read, Rules::fromShape(Shape::of($read->toArray())));
    }

    public function test_every_kind_has_an_example_and_asks_for_what_is_written(): void
    {
        $kinds = [];
        foreach (self::examples() as [$rule]) {
            $kinds[$rule['kind']] = ($kinds[$rule['kind']] ?? []) + $rule;
        }
        foreach (Rules::KINDS as $class) {
            $asked = array_merge([], ...array_map(fn (RuleField $f): array => $f->name !== '' ? [$f->name]
                : array_keys(array_merge([], ...array_column($f->options, 'sets'))), $class::fields()));
            self::assertEqualsCanonicalizing(array_keys(array_diff_key($kinds[$class::kind()] ?? [], ['kind' => 0])),
                array_values(array_unique($asked)), $class);
            self::assertSame([], array_diff(array_keys($class::fresh()), $asked));
        }
    }

    public function test_the_studio_words_the_same_rules(): void
    {
        self::assertSame(self::file(), json_decode((string) file_get_contents(self::FILE), true), 'run php tests/fixtures/make.php');
    }

    /** @return array<string, mixed> */
    public static function file(): array
    {
        $examples = array_map(fn (array $e): array => ['rule' => $e[0], 'words' => $e[1]],
            array_values(iterator_to_array(self::examples())));

        return json_decode((string) json_encode(['kinds' => Rules::describe(), 'names' => self::NAMES, 'examples' => $examples]), true);
    }

    public function test_rules_follow_what_they_speak_of(): void
    {
        $group = Group::fromArray(['all' => true,
            'rules' => [['kind' => 'deed', 'deed' => 'opened', 'with' => 'e1'], ['all' => false, 'rules' => [
                ['kind' => 'deed', 'deed' => 'viewed', 'not' => true, 'with' => 'p1'],
                ['kind' => 'tag', 'tag' => 'e1']]]]]);
        $other = $group->withIds(['e1' => 'E', 'p1' => 'P']);

        self::assertSame(['e1', 'p1'], $group->references());
        self::assertSame(['E', 'P'], $other->references());
        self::assertSame('e1', $other->rules()[2]->toArray()['tag'], 'a tag that is called like an id is none');
    }

    public function test_rules_of_an_earlier_release_are_brought_up_to_date_wherever_they_stand(): void
    {
        $old = ['all' => false, 'of' => [['what' => 'tag', 'is' => 'not', 'value' => 'of'],
            ['all' => true, 'of' => [['what' => 'did', 'is' => 'has', 'did' => 'opened', 'of' => 'e1', 'within' => 3],
                ['what' => 'date', 'is' => 'before', 'of' => 'since', 'value' => '2026-01-01'],
                ['what' => 'standing', 'is' => 'other', 'value' => 'bounced'], ['what' => 'field', 'is' => 'filled', 'of' => 'level']]]]];
        $new = ['all' => false, 'rules' => [['kind' => 'tag', 'not' => true, 'tag' => 'of'],
            ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'opened', 'not' => false, 'with' => 'e1', 'days' => 3],
                ['kind' => 'date', 'date' => 'since', 'compare' => 'before', 'day' => '2026-01-01'],
                ['kind' => 'subscription', 'not' => true, 'subscription' => 'bounced'],
                ['kind' => 'field', 'field' => 'level', 'compare' => 'filled']]]]];

        self::assertEquals($new, EarlierRules::upgrade($old));
        self::assertSame($new, EarlierRules::upgrade($new));
        self::assertEquals($new, Group::fromArray($new)->toArray());
        $body = fn (array $rule): string => '<p>All</p><div data-only="'.htmlspecialchars((string) json_encode($rule), ENT_QUOTES)
            .'"><p>Some</p></div><div data-only="{broken"><p>x</p></div>';
        self::assertSame($body($new['rules'][0]), EarlierRules::inBody($body($old['of'][0])));
    }

    public function test_a_day_begins_where_the_owner_is(): void
    {
        $now = new DateTimeImmutable('2026-06-15 10:00', new DateTimeZone('UTC'));
        $person = fn (string $joined): PersonState => new PersonState(new DateTimeZone('UTC'), new DateTimeZone('Europe/Berlin'),
            joined: new DateTimeImmutable($joined, new DateTimeZone('UTC')));
        $rule = fn (string $compare): Rule => Rules::fromShape(Shape::of(['kind' => 'date', 'date' => 'joined', 'compare' => $compare,
            'day' => '2026-03-29']));

        self::assertSame([true, false],
            [$rule('before')->holds($person('2026-03-28 22:59:59'), $now), $rule('before')->holds($person('2026-03-28 23:00:00'), $now)]);
        // A day of 23 hours: the clocks go forward on it.
        self::assertSame([false, true],
            [$rule('after')->holds($person('2026-03-29 21:59:59'), $now), $rule('after')->holds($person('2026-03-29 22:00:00'), $now)]);
    }
}
