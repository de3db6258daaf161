<?php

declare(strict_types=1);

namespace Tests\Feature\Automation;

use App\Automation\RuleWork;
use App\Models\BusinessRule;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\RuleRun;
use App\Publishing\NotReady;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\Limits;

/** Rules that go round, that speak of what is gone, that fail, that are many; and people who are many at one moment. */
final class RuleFaultsTest extends AutomationTestCase
{
    /** @return array<string, mixed> what goes on from one tag to the next, each time */
    private static function onward(string $from, string $to): array
    {
        return ['eachTime' => true, 'name' => "On {$from}", 'when' => [['kind' => 'tag', 'tag' => $from]],
            'acts' => [['kind' => 'untag', 'tag' => $from], ['kind' => 'tag', 'tag' => $to]]];
    }

    public function test_rules_that_would_go_round_are_not_saved_one_two_or_three_of_them(): void
    {
        $this->postJson('/studio/api/rules', self::onward('A', 'A'))->assertStatus(422)
            ->assertJsonPath('errors.rule.0', 'Rules would go round for ever: “On A” sets itself off again. Let one of them act once for '
                .'each person.');
        $this->rule(self::onward('A', 'B'));
        $this->postJson('/studio/api/rules', self::onward('B', 'A'))->assertStatus(422);
        $b = $this->rule(self::onward('B', 'C'));
        $this->postJson('/studio/api/rules', self::onward('C', 'A'))->assertStatus(422);
        // Whoever asks something of the person may be right: it is said, and taken.
        $asks = $this->postJson('/studio/api/rules', self::onward('C', 'A') + ['only' => ['all' => true,
            'rules' => [['kind' => 'tag', 'tag' => 'Z', 'not' => true]]]])->assertCreated();
        self::assertStringContainsString('sets off “On A” again', $asks->json('circle'));
        $this->deleteJson("/studio/api/rules/{$b}")->assertOk();
        $this->putJson("/studio/api/rules/{$asks->json('id')}", ['only' => ['all' => true, 'rules' => []], 'revision' => 1])->assertOk();
        $this->postJson("/studio/api/rules/{$b}/restore")->assertStatus(422);
        self::assertCount(2, $this->getJson('/studio/api/rules')->json('rules'));
    }

    public function test_a_funnel_whose_rules_would_go_round_with_another_one_is_not_published(): void
    {
        $this->draftRule(self::onward('A', 'B'));
        $this->publish();
        $other = $this->live($this->seller);
        $this->postJson("/studio/api/funnels/{$other->id}/parts", ['kind' => 'automation'] + self::onward('B', 'A'))->assertCreated();
        try {
            app(Publishing::class)->publish(Funnel::query()->findOrFail($other->id), null);
            self::fail('It was published.');
        } catch (NotReady $e) {
            self::assertSame(['rule-loop'], array_values(array_map(fn ($f): string => $f->code, array_filter($e->findings,
                fn ($f): bool => $f->blocks))));
        }
        $this->getJson("/studio/api/funnels/{$other->id}/check")->assertOk()->assertJsonFragment(['code' => 'rule-loop']);
    }

    public function test_rules_that_go_round_all_the_same_are_stopped_and_told(): void
    {
        $ids = [];
        foreach ([['A', 'B'], ['B', 'C'], ['C', 'D']] as [$from, $to]) {
            $ids[] = $this->rule(self::onward($from, $to));
        }
        // As if it had slipped through, by two windows at one moment.
        BusinessRule::query()->findOrFail($ids[2])->forceFill(['definition' => self::onward('C', 'A')])->save();
        $this->tag('A');
        $this->runQueue();
        self::assertSame(Limits::DEEPEST, RuleRun::query()->where('state', 'done')->count());
        $stopped = RuleRun::query()->where('state', 'stopped')->sole();
        self::assertStringContainsString('went round for ever', (string) $stopped->trouble);
        $told = Message::query()->where('name', 'A rule has trouble')->sole();
        self::assertSame('Your rule “On C” has trouble', (string) $told->subject);
        self::assertSame(0, RuleRun::query()->where('state', 'waiting')->count());
        // One that waits in between is stopped, too: by how often it acts within the hour.
        $wait = self::onward('Tick', 'Tick') + ['after' => ['minutes' => 1]];
        $tick = $this->rule(['eachTime' => false] + $wait);
        BusinessRule::query()->findOrFail($tick)->forceFill(['definition' => $wait])->save();
        $this->tag('Tick');
        for ($minutes = 0; $minutes < 40; $minutes++) {
            $this->travel(61)->seconds();
            $this->acts();
        }
        self::assertSame(min(Limits::DEEPEST, Limits::MOST_AN_HOUR), count(array_keys($this->states($tick), 'done', true)));
        self::assertContains('stopped', $this->states($tick));
    }

    public function test_what_is_gone_is_said_and_the_rest_of_the_rule_acts(): void
    {
        $email = $this->part('Welcome to buyers', 'email');
        $rule = $this->rule(self::onTag('Go') + ['eachTime' => true, 'acts' => [['kind' => 'send-email', 'email' => $email->id],
            ['kind' => 'tag', 'tag' => 'After']]]);
        $this->deleteJson("/studio/api/parts/{$email->id}")->assertOk();
        $this->publish();
        $this->tag('Go');
        $run = RuleRun::query()->where('rule_id', $rule)->sole();
        self::assertSame(['done', 'It speaks of something that is not there any more.'], [$run->state->value, $run->trouble]);
        self::assertSame(['Go', 'After'], $this->tags());
        self::assertSame(1, Message::query()->where('name', 'A rule has trouble')->count());
        // It can still be changed, as long as nothing that is gone is added.
        $this->putJson("/studio/api/rules/{$rule}", ['name' => 'Renamed', 'revision' => 1])->assertOk();
        // A rule, and a funnel, that go while it waits.
        foreach (['rule', 'funnel', 'version'] as $what) {
            $waits = $what === 'rule' ? $this->rule(self::onTag($what) + ['after' => ['minutes' => 5]] + self::gives('Never'))
                : $this->draftRule(self::onTag($what) + ['name' => $what, 'after' => ['minutes' => 5]] + self::gives('Never'));
            $this->publish();
            $this->tag($what);
            match ($what) {
                'rule' => $this->deleteJson("/studio/api/rules/{$waits}")->assertOk(),
                'funnel' => $this->postJson("/studio/api/funnels/{$this->funnel->id}/archive")->assertOk(),
                default => $this->deleteJson("/studio/api/parts/{$waits}")->assertOk() && $this->publish(),
            };
            $this->travel(6)->minutes();
            $this->acts();
            self::assertSame(['gone'], $this->states($waits), $what);
            if ($what === 'funnel') {
                $this->postJson("/studio/api/funnels/{$this->funnel->id}/restore")->assertOk();
            }
        }
        self::assertNotContains('Never', $this->tags());
    }

    public function test_an_act_that_fails_for_a_while_is_tried_again_whole_and_holds_nobody_up(): void
    {
        $fails = $this->rule(self::onTag('Go') + ['name' => 'Writes', 'acts' => [['kind' => 'tag', 'tag' => 'Half'],
            ['kind' => 'note', 'words' => 'x']]]);
        $works = $this->rule(self::onTag('Go') + self::gives('Works'));
        DB::statement("create trigger boom before insert on person_notes begin select raise(abort, 'no room'); end");
        $this->withoutExceptionHandling();
        $this->tag('Go');
        self::assertSame(['Go', 'Works'], $this->tags(), 'half of a rule is none of it');
        self::assertSame([['waiting'], ['done']], [$this->states($fails), $this->states($works)]);
        self::assertSame(0, $this->acts(), 'it waits a minute');
        $this->travel(61)->seconds();
        $this->acts();
        self::assertSame(2, RuleRun::query()->where('rule_id', $fails)->value('tries'));
        DB::statement('drop trigger boom');
        $this->travel(301)->seconds();
        $this->acts();
        self::assertSame(['done'], $this->states($fails));
        self::assertSame([['Go', 'Works', 'Half'], 1], [$this->tags(), DB::table('person_notes')->count()]);
    }

    public function test_an_act_that_never_works_is_given_up_and_told(): void
    {
        $rule = $this->rule(self::onTag('Go') + ['acts' => [['kind' => 'note', 'words' => 'x']]]);
        DB::statement("create trigger boom before insert on person_notes begin select raise(abort, 'no room'); end");
        $this->tag('Go');
        foreach (RuleWork::BACK_OFF as $minutes) {
            self::assertSame(['waiting'], $this->states($rule));
            $this->travel($minutes * 60 + 1)->seconds();
            $this->acts();
        }
        self::assertSame(['failed'], $this->states($rule));
        self::assertSame(1, Message::query()->where('name', 'A rule has trouble')->count());
        DB::statement('drop trigger boom');
        $this->travel(5)->days();
        self::assertSame(0, $this->acts());
    }

    public function test_two_hundred_rules_hear_one_thing_and_the_next_one_is_refused(): void
    {
        for ($i = 1; $i < 200; $i++) {
            $this->rule(self::onTag($i <= 150 ? 'Go' : 'Stay') + self::gives("T{$i}"));
        }
        $this->rule(self::onTag('Go') + self::gives('T200'));
        $this->postJson('/studio/api/rules', ['name' => 'One too many'])->assertStatus(422);
        $this->tag('Go');
        self::assertCount(1 + 150 + 1, $this->tags());
        $this->getJson('/studio/api/rules')->assertOk()->assertJsonCount(200, 'rules');
    }

    public function test_many_at_one_moment_are_done_each_once(): void
    {
        $rule = $this->rule(self::onTag('Go') + ['after' => ['minutes' => 5]] + self::gives('Done'));
        $people = array_map(fn (int $i) => $this->person("p{$i}@example.com"), range(1, 130));
        foreach ($people as $person) {
            $this->tag('Go', $person);
        }
        $this->travel(6)->minutes();
        $this->acts();
        self::assertSame(130, RuleRun::query()->where('rule_id', $rule)->where('state', 'done')->count());
        self::assertSame(130, DB::table('person_tag')->join('tags', 'tags.id', '=', 'tag_id')->where('name', 'Done')->count());
        self::assertSame(0, app(RuleWork::class)->work(CarbonImmutable::now()->addYear()));
    }
}
