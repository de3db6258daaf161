<?php

declare(strict_types=1);

namespace Tests\Core\Automation;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Automation\Act\Acts;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Automation\Limits;
use Lantern\Core\Journey\Acting;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How rules are read, and what is none. */
final class AutomationRuleTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function sentences(): iterable
    {
        yield 'the least' => [[], 'When they get the tag “A”, they get the tag “B”. Once for each person.'];
        yield 'all of it' => [['when' => [['kind' => 'page', 'page' => 'p', 'times' => 3], ['kind' => 'replied'],
            ['kind' => 'deadline-near', 'deadline' => 'd', 'hours' => 48]], 'after' => ['days' => 2, 'time' => '09:00'],
            'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'bought', 'not' => true]]],
            'acts' => [['kind' => 'untag', 'tag' => 'x'], ['kind' => 'send-email', 'email' => 'e'],
                ['kind' => 'field', 'field' => 'level', 'value' => '{{today}}']], 'eachTime' => true],
            '2 days after they see “Sales” 3 times, are marked as having replied or have 2 days left of “Sales”, at 09:00 their time, '
            .'they lose the tag “x”, they are sent “Sales” and “Level” becomes the day on which it happens. Only for whoever then did not '
            .'buy anything. Each time.'];
        yield 'nothing sets it off' => [['when' => []], 'When they …, they get the tag “B”. Once for each person.'];
        yield 'it does nothing' => [['acts' => []], 'When they get the tag “A”, … Once for each person.'];
        yield 'what is gone' => [['acts' => [['kind' => 'start-sequence', 'sequence' => 'gone']]],
            'When they get the tag “A”, (gone) starts for them. Once for each person.'];
        foreach ([['they' => 'come to a day before the day in “Level”, every year', 'days' => -1, 'yearly' => true],
            ['they' => 'come to 3 days after the day in “Level”', 'days' => 3], ['they' => 'come to the day in “Level”']] as $i => $day) {
            yield "a day {$i}" => [['when' => [['kind' => 'date', 'field' => 'level'] + array_diff_key($day, ['they' => 0])]],
                "When they {$day['they']}, they get the tag “B”. Once for each person."];
        }
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('sentences')]
    public function test_a_rule_is_read_as_a_sentence(array $with, string $sentence): void
    {
        $rule = MadeRules::of($with);
        self::assertSame($sentence, $rule->words(fn (string $id): string => ['level' => 'Level', 'gone' => ''][$id] ?? 'Sales'));
        self::assertSame(! isset($with['when']) || $with['when'] !== [] ? ($with['acts'] ?? [1]) !== [] : false, $rule->isWhole());
        self::assertEquals($rule, AutomationRule::fromShape(Shape::of($rule->toArray())));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function hostile(): iterable
    {
        yield 'no name' => [['name' => ' '], 'name', 'a name'];
        yield 'a number for a name' => [['name' => 7], 'name', 'text'];
        yield 'a moon' => [['when' => [['kind' => 'moon']]], 'when.0.kind', 'Nothing of this kind'];
        yield 'no list' => [['when' => 'always'], 'when', 'list'];
        yield 'hours that are none' => [['when' => [['kind' => 'deadline-near', 'deadline' => 'd', 'hours' => 0]]], 'when.0.hours', '1'];
        yield 'days beyond a season' => [['when' => [['kind' => 'date', 'field' => 'x', 'days' => -91]]], 'when.0.days', '90'];
        yield 'a field that is none' => [['when' => [['kind' => 'date', 'field' => 'Birth day']]], 'when.0.field', 'choose the field'];
        yield 'an act that is none' => [['acts' => [['kind' => 'explode']]], 'acts.0.kind', 'no such thing'];
        yield 'an act without its part' => [['acts' => [['kind' => 'send-email']]], 'acts.0.email', 'choose an email'];
        yield 'an act that is a word' => [['acts' => ['tag']], 'acts.0', 'group'];
        yield 'a tag of blanks' => [['acts' => [['kind' => 'tag', 'tag' => "\n "]]], 'acts.0.tag', 'choose a tag'];
        yield 'an empty note' => [['acts' => [['kind' => 'note', 'words' => '']]], 'acts.0.words', 'write the note'];
        yield 'no address' => [['acts' => [['kind' => 'call', 'url' => 'javascript:alert(1)']]], 'acts.0.url', 'whole web address'];
        yield 'an address in two lines' => [['acts' => [['kind' => 'call', 'url' => "https://a.example\r\nX: y"]]], 'acts.0.url', 'whole'];
        yield 'more acts than ten' => [['acts' => array_fill(0, 11, ['kind' => 'tag', 'tag' => 'x'])], 'acts', '10'];
        yield 'a wait of nothing' => [['after' => ['minutes' => 0]], 'after.minutes', 'one minute'];
        yield 'a wait of years' => [['after' => ['days' => 366]], 'after.days', '365'];
        yield 'a condition that is none' => [['only' => ['all' => true, 'rules' => [['kind' => 'moon']]]], 'only.rules.0.kind', 'kind'];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('hostile')]
    public function test_what_is_no_rule_says_where(array $with, string $path, string $sentence): void
    {
        try {
            MadeRules::of($with);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
            self::assertStringContainsString($sentence, $e->getMessage());
        }
    }

    public function test_every_kind_of_act_needs_what_it_says_and_is_written_as_it_is_read(): void
    {
        foreach (Acts::KINDS as $class) {
            $written = ['kind' => $class::kind()] + array_map(fn (string $needs): string => match ($needs) {
                'address' => 'https://hooks.example.com/x',
                default => 'x',
            }, $class::fields());
            $act = MadeRules::of(['acts' => [$written]])->acts[0];
            self::assertSame($written, $act->toArray());
            self::assertSame(in_array('x', array_intersect_key($written, array_flip(['sequence', 'email', 'product', 'deadline'])), true)
                ? 'x' : '', $act->part());
            self::assertSame($act->part() === '' ? '' : 'y', $act->withIds(['x' => 'y'])->part());
            self::assertStringNotContainsString('  ', $act->words(fn (): string => 'X'));
        }
    }

    public function test_an_email_that_one_rule_names_twice_is_sent_once(): void
    {
        $rule = MadeRules::of(['acts' => [['kind' => 'send-email', 'email' => 'e'], ['kind' => 'tag', 'tag' => 'B'],
            ['kind' => 'send-email', 'email' => 'e'], ['kind' => 'send-email', 'email' => 'f']]]);
        $person = new PersonState(new DateTimeZone('UTC'), new DateTimeZone('UTC'), tags: []);
        $acted = Acting::of($rule, null, fn () => null, [], $person,
            new DateTimeImmutable('2026-03-02 10:00'), fn (string $id): string => $id);
        self::assertSame(['they are sent “e”', 'they get the tag “B”', 'they are sent “f”'], array_column($acted->steps, 'words'));
        self::assertSame([true, false, true], array_map(fn (array $step): bool => $step['trouble'] !== '', $acted->steps));
    }

    public function test_chains_are_stopped_where_they_are_deep_or_many(): void
    {
        self::assertSame([1, 4, 4, 1], [Limits::depth(null, 0), Limits::depth(3, 0), Limits::depth(3, Limits::CHAIN_MINUTES - 1),
            Limits::depth(3, Limits::CHAIN_MINUTES)]);
        self::assertNull(Limits::stop(Limits::DEEPEST, Limits::MOST_AN_HOUR - 1));
        self::assertStringContainsString('followed from each other', (string) Limits::stop(Limits::DEEPEST + 1, 0));
        self::assertStringContainsString('within an hour', (string) Limits::stop(1, Limits::MOST_AN_HOUR));
    }
}
