<?php

declare(strict_types=1);

namespace Tests\Core\Automation;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Checks\RuleLoop;
use Lantern\Core\Checks\RuleLoops;
use Lantern\Core\Checks\RuleSurroundings;
use Lantern\Core\Page\PageFacts;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rules that set each other off are found before they are public, in one funnel and across several. */
final class RuleLoopsTest extends TestCase
{
    /** @return iterable<string, array{list<AutomationRule>, list<string>}> rules, and what is said of them; `!` where it is certain */
    public static function rules(): iterable
    {
        $each = ['eachTime' => true];
        $only = ['only' => ['all' => true, 'rules' => [['kind' => 'tag', 'tag' => 'X', 'not' => true]]]];
        yield 'none' => [[], []];
        yield 'one by itself' => [MadeRules::ring('A'), ['!“On A” sets itself off again']];
        yield 'two' => [MadeRules::ring('A', 'B'), ['!“On A” sets off “On B”, and that sets off “On A” again']];
        yield 'three' => [MadeRules::ring('A', 'B', 'C'),
            ['!“On A” sets off “On B”, that sets off “On C”, and that sets off “On A” again']];
        yield 'two rings' => [[...MadeRules::ring('A', 'B'), ...MadeRules::ring('C')],
            ['!“On A” sets off “On B”, and that sets off “On A” again', '!“On C” sets itself off again']];
        yield 'capitals are no difference' => [[MadeRules::of(['name' => 'R', 'acts' => [['kind' => 'untag', 'tag' => 'a'],
            ['kind' => 'tag', 'tag' => 'a']]] + $each)], ['!“R” sets itself off again']];
        // What somebody has already they do not get anew, so that nothing follows from it.
        yield 'a tag that nobody takes away' => [[MadeRules::of(['id' => 'a', 'acts' => [['kind' => 'tag', 'tag' => 'B']]] + $each),
            MadeRules::of(['id' => 'b', 'when' => [['kind' => 'tag', 'tag' => 'B']], 'acts' => [['kind' => 'tag', 'tag' => 'A']]] + $each)],
            []];
        yield 'a tag that another one takes away' => [[MadeRules::of(['acts' => [['kind' => 'tag', 'tag' => 'A']]] + $each),
            MadeRules::of(['id' => 'other', 'when' => [['kind' => 'tag', 'tag' => 'Z']], 'acts' => [['kind' => 'untag', 'tag' => 'A']]]
                + $each)], []];
        yield 'one acts once for each person' => [[MadeRules::ring('A', 'B')[0],
            MadeRules::of(['eachTime' => false] + MadeRules::ring('A', 'B')[1]->toArray())], []];
        yield 'one asks something of the person' => [[MadeRules::ring('A', 'B')[0],
            MadeRules::of($only + MadeRules::ring('A', 'B')[1]->toArray())], ['“On A” sets off “On B”, and that sets off “On A” again']];
        yield 'one waits for a week' => [[MadeRules::ring('A', 'B')[0],
            MadeRules::of(['after' => ['days' => 7]] + MadeRules::ring('A', 'B')[1]->toArray())],
            ['“On A” sets off “On B”, and that sets off “On A” again']];
        yield 'one waits for an hour' => [[MadeRules::ring('A', 'B')[0],
            MadeRules::of(['after' => ['minutes' => 60]] + MadeRules::ring('A', 'B')[1]->toArray())],
            ['!“On A” sets off “On B”, and that sets off “On A” again']];
        yield 'a long way round with a short cut' => [[...MadeRules::ring('A', 'B', 'C'), ...MadeRules::ring('A')],
            ['!“On A” sets itself off again']];
        yield 'two hundred in a row' => [array_map(fn (int $i): AutomationRule => MadeRules::of(['id' => "r{$i}", 'eachTime' => true,
            'when' => [['kind' => 'tag', 'tag' => "t{$i}"]], 'acts' => [['kind' => 'tag', 'tag' => 't'.($i + 1)],
                ['kind' => 'untag', 'tag' => "t{$i}"]]]), range(1, 200)), []];
    }

    /**
     * @param  list<AutomationRule>  $rules
     * @param  list<string>  $said
     */
    #[DataProvider('rules')]
    public function test_rules_that_set_each_other_off(array $rules, array $said): void
    {
        $words = fn (array $loops): array => array_map(fn (RuleLoop $l): string => ($l->isCertain() ? '!' : '').$l->words(), $loops);
        self::assertSame($said, $words(RuleLoops::of([], $rules)));
        // Spread over funnels and the business they are the same.
        $plans = array_map(fn (AutomationRule $r) => MadeRules::plan(['kind' => 'automation'] + $r->toArray()), array_slice($rules, 0, 2));
        self::assertSame($said, $words(RuleLoops::of($plans, array_slice($rules, 2))));
    }

    public function test_a_sequence_and_a_deadline_go_round_only_where_they_may_begin_again(): void
    {
        foreach ([[true, 30, ['“R” sets itself off again', '“S” sets itself off again']], [false, null, []]] as [$again, $days, $said]) {
            $plan = MadeRules::plan(['kind' => 'sequence', 'id' => 's', 'name' => 'S', 'again' => $again,
                'starts' => [['kind' => 'tag', 'tag' => 'Go']]],
                ['kind' => 'deadline', 'id' => 'd', 'name' => 'D', 'duration' => ['days' => 3]] + ($days === null ? []
                    : ['again' => $days]),
                ['kind' => 'automation', 'eachTime' => true, 'after' => ['days' => 1]] + MadeRules::of([
                    'when' => [['kind' => 'sequence', 'sequence' => 's']], 'acts' => [['kind' => 'untag', 'tag' => 'Go'],
                        ['kind' => 'tag', 'tag' => 'Go']]])->toArray(),
                ['kind' => 'automation', 'eachTime' => true, 'after' => ['days' => 1]] + MadeRules::of(['id' => 't', 'name' => 'S',
                    'when' => [['kind' => 'deadline-near', 'deadline' => 'd', 'hours' => 5]],
                    'acts' => [['kind' => 'start-deadline', 'deadline' => 'd']]])->toArray());
            self::assertSame($said, array_map(fn (RuleLoop $l): string => $l->words(), RuleLoops::of([$plan], [])));
        }
    }

    public function test_the_go_live_check_says_what_is_wrong_with_rules(): void
    {
        $of = fn (array $rule, RuleSurroundings $around = new RuleSurroundings): array => array_values(array_map(
            fn (Finding $f): string => ($f->blocks ? '!' : '').$f->code, array_filter(GoLiveCheck::of(MadeRules::plan(
                ['kind' => 'automation'] + MadeRules::of($rule)->toArray()), new PageFacts, null, ['level'], $around),
                fn (Finding $f): bool => $f->open === 'automation')));
        self::assertSame([], $of([]));
        self::assertSame(['rule-empty'], $of(['when' => []]));
        self::assertSame(['rule-empty'], $of(['acts' => []]));
        foreach (['start-sequence' => 'sequence', 'send-email' => 'email', 'give-access' => 'product',
            'start-deadline' => 'deadline'] as $kind => $field) {
            self::assertSame(['!rule-gone'], $of(['acts' => [['kind' => $kind, $field => 'nothing']]]), $kind);
        }
        self::assertSame(['!rule-gone'], $of(['when' => [['kind' => 'page', 'page' => 'nothing']]]));
        self::assertSame([], $of(['acts' => [['kind' => 'field', 'field' => 'level', 'value' => 'x']]]));
        self::assertSame(['rule-calls'], $of(['acts' => [['kind' => 'call', 'url' => 'https://hooks.example.com/x']]]));
        self::assertSame(['!rule-field'], $of(['acts' => [['kind' => 'field', 'field' => 'other', 'value' => 'x']]]));
        self::assertSame(['!rule-field'], $of(['when' => [['kind' => 'date', 'field' => 'other']]]));
        [$here, $there] = MadeRules::ring('A', 'B');
        self::assertSame(['!rule-loop'], $of($here->toArray(), new RuleSurroundings([$there])));
        self::assertSame(['!rule-loop'], $of($here->toArray(), new RuleSurroundings([], [MadeRules::plan(['kind' => 'automation']
            + $there->toArray())])));
        self::assertSame([], $of([], new RuleSurroundings(MadeRules::ring('C', 'D'))), 'what goes round elsewhere is said there');
    }
}
