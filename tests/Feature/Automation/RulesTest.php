<?php

declare(strict_types=1);

namespace Tests\Feature\Automation;

use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PageRole;

/** Rules in life: what sets them off, for whom, what they do, once or each time. */
final class RulesTest extends AutomationTestCase
{
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
            DB::table('visitor_person')->insert(['visitor' => md5($browser), 'person_id' => $person->id,
                'joined_at' => now()]);
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
    }
}
