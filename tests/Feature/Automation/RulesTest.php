<?php

declare(strict_types=1);

namespace Tests\Feature\Automation;

use App\Models\Funnel;
use App\Models\HookCall;
use App\Models\Message;
use App\Models\ProductAccess;
use App\Models\RuleRun;
use App\People\Fields\OwnFields;
use App\People\Privacy\Erase;
use App\People\Privacy\Merge;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\SequencePlan;
use PHPUnit\Framework\Attributes\DataProvider;

/** Rules in life: what sets them off, for whom, what they do, once or each time. */
final class RulesTest extends AutomationTestCase
{
    private const INTERESTED = 'Interested in First Season';

    public function test_whoever_looked_at_the_sales_page_three_times_and_did_not_buy_gets_a_tag(): void
    {
        $page = (string) $this->plan()->pageOf(PageRole::Sales)?->id;
        $rule = $this->draftRule(['name' => 'Watching', 'when' => [['kind' => 'page', 'page' => $page, 'times' => 3]],
            'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'bought', 'not' => true]]]] + self::gives('Watching'));
        $this->publish();
        $buyer = $this->person('kim@example.com');
        DB::table('events')->insert(['business_id' => $this->seller->business_id, 'type' => 'bought', 'funnel_id' => $this->funnel->id,
            'person_id' => $buyer->id, 'at' => '2026-01-01 00:00:00.000000', 'owner' => false]);
        $this->asStranger();
        foreach ([[$this->robin, 'a'], [$buyer, 'b']] as [$person, $browser]) {
            DB::table('visitor_person')->insert(['visitor' => md5($browser), 'person_id' => $person->id, 'joined_at' => now()]);
            for ($looks = 1; $looks <= 4; $looks++) {
                self::assertSame($looks > 3 && $person === $this->robin ? ['Watching'] : [], $this->tags($person));
                $this->post('/m/view', ['funnel' => $this->funnel->id, 'page' => $page, 'visitor' => md5($browser), 'source' => '',
                    'from' => ''])->assertNoContent();
                $this->runQueue();
            }
        }
        self::assertSame(['Watching'], $this->tags());
        self::assertSame([], $this->tags($buyer));
        self::assertSame(['done', 'passed', 'passed'], $this->states($rule));
        $run = DB::table('rule_runs')->where('person_id', $this->robin->id)->first();
        self::assertSame('Saw “Sales page” 3 times.', $run?->why);
        self::assertSame([['words' => 'they get the tag “Watching”', 'trouble' => '']], json_decode((string) $run->did, true));
        $history = $this->getJson("/studio/api/people/{$this->robin->id}")->json('history') ?? [];
        self::assertContains('Watching: they get the tag “Watching” (Saw “Sales page” 3 times.)', array_column($history, 'what'));
    }

    public function test_once_for_each_person_or_each_time(): void
    {
        $once = $this->rule(self::onTag('A') + self::gives('Once'));
        $each = $this->rule(self::onTag('A') + ['eachTime' => true] + self::gives('Each'));
        foreach (range(1, 3) as $ignored) {
            $this->tag('A');
            $this->robin->tags()->detach();
        }
        $this->tag('A');
        self::assertSame(['done'], $this->states($once));
        self::assertSame(['done', 'done', 'done', 'done'], $this->states($each));
        self::assertSame(['A', 'Each'], $this->tags());
        // Somebody else is another person.
        $this->tag('A', $this->person('kim@example.com'));
        self::assertSame(['done', 'done'], $this->states($once));
    }

    public function test_one_that_did_nothing_for_somebody_may_act_for_them_later(): void
    {
        $rule = $this->rule(self::onTag('A') + self::gives('B') + ['only' => ['all' => true,
            'rules' => [['kind' => 'tag', 'tag' => 'Ready', 'not' => false]]]]);
        $this->tag('A');
        $this->robin->tags()->detach();
        $this->tag('Ready');
        $this->tag('A');
        self::assertSame(['passed', 'done'], $this->states($rule));
        self::assertSame(['Ready', 'A', 'B'], $this->tags());
    }

    public function test_it_waits_in_calendar_days_of_the_person_and_looks_at_them_then(): void
    {
        // The clocks of Berlin go forward on the 28th of March.
        $this->travelTo(new CarbonImmutable('2027-03-26 10:00', 'UTC'));
        $this->robin->forceFill(['timezone' => 'Europe/Berlin'])->save();
        $rule = $this->rule(self::onTag('A') + ['after' => ['days' => 3, 'time' => '09:00'], 'only' => ['all' => true,
            'rules' => [['kind' => 'tag', 'tag' => 'Left', 'not' => true]]]] + self::gives('B'));
        $kim = $this->person('kim@example.com');
        $this->tag('A');
        $this->tag('A', $kim);
        $this->tag('Left', $kim);
        $this->travelTo(new CarbonImmutable('2027-03-29 06:59:59', 'UTC'));
        self::assertSame(0, $this->acts());
        $this->travelTo(new CarbonImmutable('2027-03-29 07:00', 'UTC'));
        self::assertSame(2, $this->acts(), 'nine in the morning in summer');
        self::assertSame(['done', 'passed'], $this->states($rule));
        self::assertSame(['A', 'B'], $this->tags());
    }

    public function test_the_scheduler_has_it_act_and_a_clock_that_was_set_back_does_nothing_twice(): void
    {
        $rule = $this->rule(self::onTag('A') + ['after' => ['minutes' => 90], 'eachTime' => true] + self::gives('B'));
        $this->tag('A');
        $this->travel(2)->hours();
        Artisan::call('lantern:due');
        self::assertSame(['done'], $this->states($rule));
        $this->travel(-3)->hours();
        Artisan::call('lantern:due');
        $this->travel(5)->hours();
        Artisan::call('lantern:due');
        self::assertSame(['done'], $this->states($rule));
    }

    public function test_a_pause_holds_at_once_and_what_waits_waits_on(): void
    {
        $rule = $this->rule(self::onTag('A') + ['after' => ['minutes' => 10], 'eachTime' => true] + self::gives('B'));
        $this->tag('A');
        $this->postJson("/studio/api/rules/{$rule}/pause")->assertOk();
        $this->travel(1)->hours();
        self::assertSame(0, $this->acts());
        // What happens meanwhile is not made up for.
        $this->tag('A', $this->person('kim@example.com'));
        $this->postJson("/studio/api/rules/{$rule}/resume")->assertOk();
        self::assertSame(1, $this->acts());
        self::assertSame(['done'], $this->states($rule));
        // The same of a rule of a funnel, whose draft is as it was.
        $ofFunnel = $this->draftRule(self::onTag('A') + ['eachTime' => true] + self::gives('C'));
        $this->publish();
        $this->postJson("/studio/api/rules/{$ofFunnel}/pause")->assertOk();
        $this->tag('A', $this->person('lee@example.com'));
        self::assertSame([], $this->states($ofFunnel));
        self::assertFalse($this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('changed'));
        self::assertTrue($this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('rules.0.paused'));
    }

    public function test_everything_that_a_rule_can_do(): void
    {
        OwnFields::add($this->seller->business_id, 'level', 'Level', FieldKind::Date);
        $plan = $this->plan();
        $sequence = $plan->sequences[0];
        $this->tag('Old');
        $rule = $this->rule(self::onTag('Go') + ['name' => 'All of it', 'acts' => [['kind' => 'untag', 'tag' => 'OLD'],
            ['kind' => 'tag', 'tag' => 'New'], ['kind' => 'field', 'field' => 'level', 'value' => '{{today}}'],
            ['kind' => 'note', 'words' => 'Call <b>soon</b>'], ['kind' => 'tell', 'words' => 'Somebody is ready'],
            ['kind' => 'call', 'url' => 'https://hooks.example.com/x'], ['kind' => 'start-sequence', 'sequence' => $sequence->id],
            ['kind' => 'send-email', 'email' => $this->part('The introductory price', 'email')->id],
            ['kind' => 'give-access', 'product' => $plan->products[0]->id],
            ['kind' => 'start-deadline', 'deadline' => $plan->deadlines[0]->id]]]);
        $this->tag('Go');
        self::assertSame(['done'], $this->states($rule));
        self::assertNull(RuleRun::query()->where('rule_id', $rule)->value('trouble'));
        self::assertSame(['Go', 'New'], $this->tags());
        self::assertSame('2027-04-14', DB::table('person_values')->where('name', 'level')->value('value'));
        self::assertSame('Call <b>soon</b>', DB::table('person_notes')->value('words'));
        self::assertSame(1, DB::table('enrolments')->where('sequence_id', $sequence->id)->count());
        self::assertSame(1, ProductAccess::query()->where('person_id', $this->robin->id)->where('state', 'active')->count());
        self::assertSame(1, DB::table('deadline_runs')->where('person_id', $this->robin->id)->count());
        $call = HookCall::query()->sole();
        self::assertSame(['rule.acted', 'All of it', 'robin@example.com'], [json_decode($call->payload, true)['event'],
            json_decode($call->payload, true)['rule'], json_decode($call->payload, true)['person']['email']]);
        self::assertSame(1, Message::query()->where('name', 'The introductory price')->count());
        $told = Message::query()->where('name', 'What a rule tells you')->sole();
        $this->runQueue();
        self::assertStringContainsString('Robin: Somebody is ready', (string) $told->refresh()->subject);

        $end = $this->rule(self::onTag('Stop') + ['acts' => [['kind' => 'end-sequence', 'sequence' => $sequence->id],
            ['kind' => 'take-access', 'product' => $plan->products[0]->id], ['kind' => 'field', 'field' => 'level', 'value' => '']]]);
        $this->tag('Stop');
        self::assertSame(['done'], $this->states($end));
        self::assertSame(0, DB::table('enrolments')->where('sequence_id', $sequence->id)->whereNull('ended_at')->count());
        self::assertSame(0, ProductAccess::query()->where('state', 'active')->count());
        self::assertSame(0, DB::table('person_values')->where('name', 'level')->count());
        // Nobody who is forgotten is told of.
        app(Erase::class)->person($this->robin->refresh());
        self::assertSame([0, 0], [RuleRun::query()->count(), HookCall::query()->count()]);
    }

    public function test_one_email_is_sent_each_time_and_to_nobody_who_has_left(): void
    {
        $email = $this->part('The introductory price', 'email')->id;
        // Named twice, it is sent once.
        $this->rule(self::onTag('Go') + ['eachTime' => true, 'acts' => array_fill(0, 2, ['kind' => 'send-email', 'email' => $email])]);
        $kim = $this->person('kim@example.com');
        $kim->forceFill(['unsubscribed_at' => now()])->save();
        foreach ([$this->robin, $kim] as $person) {
            foreach ([1, 2] as $ignored) {
                $this->tag('Go', $person);
                $person->tags()->detach();
            }
        }
        $this->travel(3)->days();
        Artisan::call('lantern:due');
        $this->runQueue();
        $states = fn (string $id): array => Message::query()->where('person_id', $id)->where('email_id', $email)->pluck('state')
            ->map(fn ($s): string => $s->value)->all();
        self::assertSame(['sent', 'sent'], $states($this->robin->id));
        self::assertSame(['cancelled', 'cancelled'], $states($kim->id), 'no rule makes anybody a subscriber');
    }

    public function test_a_rule_of_the_business_hears_what_happens_in_a_funnel_once(): void
    {
        $form = $this->plan()->forms[0] ?? null;
        $joined = $this->rule(['when' => [['kind' => 'signup']], 'eachTime' => true] + self::gives('Joined'));
        $tagged = $this->rule(self::onTag(self::INTERESTED) + ['eachTime' => true] + self::gives('Heard'));
        $entered = $this->rule(['when' => [['kind' => 'sequence', 'sequence' => $this->startedByTag()->id]], 'eachTime' => true]
            + self::gives('Entered'));
        self::assertNull($form, 'people come to this funnel by a tag');
        $other = $this->live($this->seller);
        self::assertInstanceOf(Funnel::class, $other);
        $this->asStranger()->join($other, ['email' => 'lee@example.com'])->assertRedirect();
        $this->runQueue();
        self::assertSame(['done'], $this->states($joined));
        $this->tag(self::INTERESTED);
        self::assertSame([['done'], ['done']], [$this->states($tagged), $this->states($entered)]);
    }

    private function startedByTag(): SequencePlan
    {
        foreach ($this->plan()->sequences as $sequence) {
            if ($sequence->starts->has(new TagAdded(self::INTERESTED))) {
                return $sequence;
            }
        }
        self::fail('Nothing is started by this tag.');
    }

    public function test_deadlines_begin_come_near_and_end(): void
    {
        $deadline = $this->part('Introductory price', Deadline::kind())->id;
        $rules = [];
        foreach ([['kind' => 'deadline-began'], ['kind' => 'deadline-near'], ['kind' => 'deadline-near', 'hours' => 100],
            ['kind' => 'deadline-over']] as $i => $when) {
            $rules[] = $this->rule(['when' => [$when + ['deadline' => $deadline]], 'eachTime' => true] + self::gives("D{$i}"));
        }
        $start = $this->rule(self::onTag('Go') + ['acts' => [['kind' => 'start-deadline', 'deadline' => $deadline]]]);
        $this->tag('Go');
        self::assertSame(['done'], $this->states($start));
        self::assertSame(['Go', 'D0'], $this->tags());
        // It ends on the third day at eight in the evening in Berlin.
        foreach (['2027-04-16 17:59' => ['Go', 'D0'], '2027-04-16 18:00' => ['Go', 'D0', 'D1'], '2027-04-17 18:00' => ['Go', 'D0', 'D1'],
            '2027-04-17 18:30' => ['Go', 'D0', 'D1', 'D3'], '2027-05-01 00:00' => ['Go', 'D0', 'D1', 'D3']] as $at => $tags) {
            $this->travelTo(new CarbonImmutable($at, 'UTC'));
            Artisan::call('lantern:due');
            self::assertSame($tags, $this->tags(), $at);
        }
        self::assertSame([], $this->states($rules[2]), 'whoever never had so many hours never comes to it');
    }

    public function test_a_day_in_a_field_comes_round_and_a_reply_is_marked(): void
    {
        OwnFields::add($this->seller->business_id, 'birthday', 'Birthday', FieldKind::Date);
        $rule = $this->rule(['when' => [['kind' => 'date', 'field' => 'birthday', 'yearly' => true]], 'eachTime' => true]
            + self::gives('Celebrate'));
        $this->travel(1)->seconds();
        OwnFields::set($this->robin->id, 'birthday', ['1984-04-15']);
        $this->robin->forceFill(['timezone' => 'America/Los_Angeles'])->save();
        foreach (['2027-04-15 15:59' => 0, '2027-04-15 16:00' => 1, '2027-04-15 23:00' => 1, '2027-04-17 15:00' => 1,
            '2028-04-15 16:00' => 2] as $at => $times) {
            $this->travelTo(new CarbonImmutable($at, 'UTC'));
            Artisan::call('lantern:due');
            self::assertCount($times, $this->states($rule), $at);
        }
        $replied = $this->rule(['when' => [['kind' => 'replied']]] + self::gives('Talks to me'));
        $this->postJson("/studio/api/people/{$this->robin->id}/replied")->assertCreated();
        $this->acts();
        self::assertSame(['done'], $this->states($replied));
    }

    public function test_two_people_who_become_one_have_one_rule_that_acts_once(): void
    {
        $rule = $this->rule(self::onTag('A') + ['after' => ['days' => 1]] + self::gives('B'));
        $kim = $this->person('kim@example.com');
        $this->tag('A');
        $this->tag('A', $kim);
        app(Merge::class)->merge($this->robin->refresh(), $kim->refresh());
        $this->travel(2)->days();
        $this->acts();
        self::assertSame(['done'], $this->states($rule));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function hostile(): iterable
    {
        yield 'no name' => [['name' => ''], 'name'];
        yield 'a list for a name' => [['name' => ['x']], 'name'];
        yield 'a trigger that is none' => [['when' => 'x'], 'when'];
        yield 'a part of nobody' => [['when' => [['kind' => 'page', 'page' => 'nothing']]], 'rule'];
        yield 'a field of nobody' => [['acts' => [['kind' => 'field', 'field' => 'nothing', 'value' => 'x']]], 'rule'];
        yield 'an address of this machine' => [['acts' => [['kind' => 'call', 'url' => 'http://127.0.0.1/x']]], 'acts.0.url'];
        yield 'acts that are words' => [['acts' => 'all'], 'acts'];
        yield 'a wait that is none' => [['after' => 'soon'], 'after'];
        yield 'conditions that are none' => [['only' => ['rules' => 'x']], 'only.rules'];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('hostile')]
    public function test_what_is_no_rule_is_refused_and_what_was_there_stays(array $with, string $field): void
    {
        $this->postJson('/studio/api/rules', $with + ['name' => 'A rule'])->assertStatus(422)->assertJsonValidationErrors($field);
        $rule = $this->rule(self::onTag('A') + self::gives('B'));
        $before = DB::table('business_rules')->get()->all();
        $this->putJson("/studio/api/rules/{$rule}", $with + ['revision' => 1])->assertStatus(422)->assertJsonValidationErrors($field);
        self::assertEquals($before, DB::table('business_rules')->get()->all());
    }

    public function test_a_rule_of_a_funnel_calls_no_address_of_this_machine_either(): void
    {
        $call = ['acts' => [['kind' => 'call', 'url' => 'https://192.168.0.1/x']]];
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'automation'] + $call)->assertStatus(422);
        $rule = $this->draftRule(self::onTag('A'));
        $this->putJson("/studio/api/parts/{$rule}", $call + ['revision' => 1])->assertStatus(422);
    }

    public function test_rules_are_ordered_changed_in_two_windows_removed_and_brought_back(): void
    {
        $a = $this->rule(['name' => 'First'] + self::onTag('A') + self::gives('From first'));
        $b = $this->rule(['name' => 'Second'] + self::onTag('A') + self::gives('From second'));
        $this->putJson('/studio/api/rules/order', ['ids' => [$b, $a]])->assertOk();
        $this->putJson('/studio/api/rules/order', ['ids' => [$b]])->assertStatus(422);
        $this->tag('A');
        self::assertSame(['A', 'From second', 'From first'], $this->tags());
        $this->putJson("/studio/api/rules/{$a}", ['name' => 'Renamed', 'revision' => 1])->assertOk();
        $this->putJson("/studio/api/rules/{$a}", ['name' => 'In the other window', 'revision' => 1])->assertStatus(409);
        $this->deleteJson("/studio/api/rules/{$a}")->assertOk();
        self::assertSame([$b], array_column($this->getJson('/studio/api/rules')->json('rules'), 'id'));
        $this->postJson("/studio/api/rules/{$a}/restore")->assertOk();
        $listed = $this->getJson('/studio/api/rules')->assertOk();
        self::assertSame(['Second', 'Renamed'], array_column($listed->json('rules'), 'name'));
        self::assertSame(['done' => 1, 'waiting' => 0, 'trouble' => 0], $listed->json("numbers.{$a}"));
        $log = $this->getJson("/studio/api/rules/{$a}/log")->assertOk();
        self::assertSame(['Robin', 'Got the tag “A”.'], [$log->json('runs.0.person.name'), $log->json('runs.0.why')]);
    }
}
