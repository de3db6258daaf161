<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\FunnelGoal;
use App\Models\PublishedPage;
use App\Models\Spend;
use App\People\Privacy\Erase;
use App\Results\Counts;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Sales\SalesTestCase;

/** What results say of a funnel that sells: who came from where, what they paid, what it cost, and what a goal takes. */
final class MoneyResultsTest extends SalesTestCase
{
    private function see(string $browser, PageRole $role, string $source = ''): void
    {
        $this->post('/m/view', ['funnel' => $this->funnel->id, 'page' => $this->plan()->pageOf($role)->id ?? '', 'visitor' => md5($browser),
            'source' => $source === '' ? '' : "utm_source={$source}"], ['User-Agent' => self::CHROME])->assertNoContent();
    }

    /** Six strangers come, three open the checkout, two of them buy, one gets a part back. */
    private function crowd(): void
    {
        foreach (['a' => 'podcast', 'b' => 'podcast', 'c' => 'podcast', 'd' => '', 'e' => '', 'f' => 'newsletter'] as $browser => $source) {
            $this->see($browser, PageRole::Sales, $source);
        }
        $this->travel(40)->seconds();
        foreach (['a', 'b', 'f'] as $browser) {
            $this->see($browser, PageRole::Checkout);
        }
        $this->travel(40)->seconds();
        foreach (['a' => 'ada', 'f' => 'fen'] as $browser => $name) {
            $this->asStranger()->buy(['email' => "{$name}@pupils.example", 'visitor' => md5($browser)])->assertStatus(303);
        }
        $this->actingAs($this->seller)->postJson("/studio/api/orders/{$this->lastOrder()->id}/refund", ['act' => str_repeat('a', 32),
            'amount' => '40', 'lines' => []])->assertOk();
    }

    private function results(string $of = ''): TestResponse
    {
        return $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$this->funnel->id}/results?days=28&of={$of}")->assertOk();
    }

    /** @return list<string> */
    private function counts(): array
    {
        return DB::table('counts')->orderBy('slice')->orderBy('day')->orderBy('page_id')->orderBy('measure')->orderBy('before')->get()
            ->map(fn (object $c): string => implode(' ', (array) $c))->all();
    }

    public function test_what_followed_a_button_is_counted_for_it(): void
    {
        $page = $this->plan()->pageOf(PageRole::Sales)->id ?? '';
        $places = PublishedPage::query()->where('page_id', $page)->sole()->places['blocks'] ?? [];
        $press = fn (string $browser, int $at) => $this->post('/m/did', ['funnel' => $this->funnel->id, 'page' => $page,
            'visitor' => md5($browser), 'did' => 'press', 'at' => (string) $at], ['User-Agent' => self::CHROME])->assertNoContent();
        foreach (['a', 'a', 'b', 'c', 'f'] as $browser) {
            $press($browser, 1);
        }
        $press('a', 2);
        $this->travel(40)->seconds();
        $this->crowd();
        // What is pressed after buying brought nothing.
        $this->travel(40)->seconds();
        $press('a', 3);
        $read = $this->actingAs($this->seller)->getJson("/studio/api/pages/{$page}/reading?days=28")->assertOk();
        $buttons = [];
        foreach ($read->json('buttons') as $b) {
            $buttons[array_search($b['id'], $places, true)] = [$b['clicks'], $b['people'], $b['orders'], $b['revenue']];
        }
        self::assertSame([[5, 4, 2], [1, 1, 1], [1, 1, 0]], array_map(fn (int $at): array => array_slice($buttons[$at], 0, 3), [1, 2, 3]));
        self::assertSame(['', true, true], [$buttons[3][3], $buttons[1][3] !== $buttons[2][3], $buttons[2][3] !== '']);
        $kept = $this->counts();
        app(Counts::class)->rebuild($this->funnel->business);
        self::assertSame($kept, $this->counts());
    }

    public function test_sales_and_money_by_page_and_by_what_first_brought_them(): void
    {
        $this->crowd();
        $results = $this->results()->assertJsonPath('whole.visitors', 6)->assertJsonPath('whole.orders', 2)
            ->assertJsonPath('whole.net', 34_000)->assertJsonPath('whole.revenue', '€340')->assertJsonPath('whole.refunds', 1)
            ->assertJsonPath('success.kind', 'sales')->assertJsonPath('success.count', 2);
        $pages = array_column($results->json('steps'), null, 'id');
        $sales = $pages[$this->plan()->pageOf(PageRole::Sales)->id ?? ''];
        $checkout = $pages[$this->plan()->pageOf(PageRole::Checkout)->id ?? ''];
        self::assertSame([6, 3, 3, 40], [$sales['visitors'], $sales['wentOn'], $sales['left'], $sales['seconds']]);
        self::assertSame([3, 2, 2, '€340', '€113.33'], [$checkout['visitors'], $checkout['wentOn'], $checkout['sales'],
            $checkout['revenue'], $checkout['perVisitor']]);
        $first = array_column($results->json('sources.first'), null, 'value');
        self::assertSame([[3, 1, '€190'], [1, 1, '€150'], [2, 0, '']], array_map(fn (string $s): array => [$first[$s]['visitors'],
            $first[$s]['orders'], $first[$s]['revenue']], ['podcast', 'newsletter', '']));
        self::assertSame(['computer' => 6], array_column($results->json('devices'), 'visitors', 'value'));
        $this->results('first:podcast')->assertJsonPath('steps.0.visitors', 3)->assertJsonPath('whole.orders', 1);
        $this->results('first:nobody')->assertJsonPath('whole.visitors', 0);
        $this->results('robbers:all')->assertJsonPath('whole.visitors', 6);
    }

    public function test_counted_again_it_is_the_same_also_when_a_buyer_is_forgotten(): void
    {
        $this->crowd();
        $kept = $this->counts();
        app(Counts::class)->rebuild(Business::query()->firstOrFail());
        self::assertSame($kept, $this->counts());
        $this->artisan('lantern:counts', ['--check' => true])->assertSuccessful();
        app(Erase::class)->person($this->lastOrder()->person);
        app(Counts::class)->rebuild(Business::query()->firstOrFail());
        self::assertSame($kept, $this->counts());
    }

    public function test_counts_that_do_not_add_up_are_said_and_not_mended(): void
    {
        $this->crowd();
        DB::table('counts')->where('measure', 'orders')->where('slice', '')->update(['how_many' => 7]);
        DB::table('counts')->where('slice', 'first:podcast')->where('measure', 'visitors')->delete();
        $spoiled = $this->counts();
        $this->artisan('lantern:counts', ['--check' => true])->expectsOutputToContain('counts are not what the facts say')->assertFailed();
        self::assertSame($spoiled, $this->counts());
        $this->artisan('lantern:counts')->assertSuccessful();
        $this->artisan('lantern:counts', ['--check' => true])->assertSuccessful();
    }

    public function test_what_came_of_those_who_joined_in_a_week(): void
    {
        $optIn = $this->live($this->seller);
        $this->asStranger()->join($optIn, ['email' => 'ada@pupils.example', 'visitor' => md5('a')])->assertStatus(303);
        $this->join($optIn, ['email' => 'fen@pupils.example', 'visitor' => md5('b')])->assertStatus(303);
        $this->travel(3)->days();
        $this->asStranger()->buy(['email' => 'ada@pupils.example', 'visitor' => md5('a')])->assertStatus(303);
        $this->travel(12)->days();
        $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$optIn->id}/cohorts")->assertOk()
            ->assertJsonPath('cohorts.0.people', 2)->assertJsonPath('cohorts.0.after.0.buyers', 1)
            ->assertJsonPath('cohorts.0.after.0.revenue', '€190')->assertJsonPath('cohorts.0.after.3', null);
    }

    public function test_what_the_funnel_is_judged_by_can_be_changed(): void
    {
        $this->crowd();
        $address = "/studio/api/funnels/{$this->funnel->id}/goal";
        $this->putJson($address, ['by' => 'signups'])->assertOk();
        $this->results()->assertJsonPath('success.kind', 'signups')->assertJsonPath('success.count', 0);
        $this->getJson('/studio/api/funnels')->assertJsonPath('funnels.0.success.kind', 'signups');
        $this->getJson('/studio/api/results')->assertJsonPath('funnels.0.kind', 'signups')->assertJsonPath('funnels.0.revenue', '€340')
            ->assertJsonPath('sentence', 'In 1 funnel there were no sign-ups and 2 sales, €340.');
        foreach (['fame', '', ['sales']] as $wrong) {
            $this->putJson($address, ['by' => $wrong])->assertUnprocessable();
        }
    }

    /** @return iterable<string, array{string}> */
    public static function wrongPeriods(): iterable
    {
        yield 'no days' => ['from=soon&to=later'];
        yield 'backwards' => ['from=2027-04-10&to=2027-04-01'];
        yield 'a lifetime' => ['from=2001-01-01&to=2027-04-01'];
        yield 'half of it' => ['from=2027-04-01'];
    }

    #[DataProvider('wrongPeriods')]
    public function test_a_period_that_is_none_says_so(string $query): void
    {
        $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$this->funnel->id}/results?{$query}")->assertUnprocessable();
        $this->getJson("/studio/api/results?{$query}")->assertUnprocessable();
    }

    public function test_where_it_leaks_and_what_that_costs(): void
    {
        for ($i = 0; $i < 40; $i++) {
            $this->see("v{$i}", PageRole::Checkout);
        }
        $this->asStranger()->buy(['visitor' => md5('v1')])->assertStatus(303);
        $leaks = $this->actingAs($this->seller)->getJson("/studio/api/funnels/{$this->funnel->id}/leaks?days=30")->assertOk();
        $leaks->assertJsonPath('leaks.0.kind', 'pay')->assertJsonPath('leaks.0.could', 40)->assertJsonPath('leaks.0.did', 1)
            // Half of forty would have been twenty: nineteen more a month, each worth the average order of 190.
            ->assertJsonPath('leaks.0.money', 361_000)->assertJsonPath('leaks.0.reference', 0.5);
        self::assertStringContainsString('about 19 (', (string) $leaks->json('leaks.0.gain'));
        self::assertSame('test', $leaks->json('leaks.0.tries.2.to'));
    }

    public function test_a_goal_is_written_down_and_shows_on_the_list(): void
    {
        $this->crowd();
        $address = "/studio/api/funnels/{$this->funnel->id}/plan";
        $this->actingAs($this->seller);
        $until = now()->addWeeks(4)->format('Y-m-d');
        $plan = $this->getJson("{$address}?wanted=20&until={$until}&what=sales")->assertOk()->assertJsonPath('steps.0.key', 'open')
            ->assertJsonPath('steps.0.rate.successes', 3)->assertJsonPath('goal', null);
        self::assertSame(60, $plan->json('visitors.1'), 'two of six buy, so twenty take sixty');
        self::assertSame(15, $plan->json('perWeek.1'));
        $this->getJson("{$address}?wanted=20&until={$until}&what=sales&rates[open]=1")->assertJsonPath('visitors.1', 30)
            ->assertJsonPath('today.1', 60);
        $this->travel(1)->seconds();
        $this->putJson($address, ['what' => 'sales', 'wanted' => 20, 'until' => $until, 'rates' => ['open' => 0.8, 'x' => 9]])->assertOk()
            ->assertJsonPath('goal.wanted', 20)->assertJsonPath('goal.reached', 0);
        $this->travel(1)->hours();
        $this->asStranger()->buy(['email' => 'late@pupils.example', 'visitor' => md5('late')])->assertStatus(303);
        $this->actingAs($this->seller)->getJson('/studio/api/funnels')->assertJsonPath('funnels.0.planned.reached', 1)
            ->assertJsonPath('funnels.0.planned.ahead', true);
        $this->putJson($address, ['what' => 'sales', 'wanted' => 30, 'until' => $until])->assertOk()->assertJsonPath('goal.reached', 1);
        self::assertSame(1, FunnelGoal::query()->whereNull('removed_at')->count());
        $this->deleteJson($address)->assertOk();
        $this->getJson('/studio/api/funnels')->assertJsonPath('funnels.0.planned', null);
        foreach ([['wanted' => 0], ['wanted' => 'many'], ['until' => 'soon'], ['until' => '2020-01-01'], ['what' => 'fame']] as $wrong) {
            $this->putJson($address, $wrong + ['what' => 'sales', 'wanted' => 20, 'until' => $until])->assertUnprocessable();
        }
    }

    public function test_what_a_customer_cost(): void
    {
        $this->crowd();
        $day = now()->format('Y-m-d');
        $this->actingAs($this->seller)->getJson('/studio/api/costs?days=28')->assertOk()
            ->assertJsonPath('sentence', 'Nothing is typed in for this time: what visitors cost is not known.')
            ->assertJsonPath('whole.spent', null)->assertJsonPath('value.0.customers', 2)->assertJsonPath('value.0.words', '€170')
            ->assertJsonPath('value.1.customers', 0);
        $this->postJson('/studio/api/costs', ['source' => ' Podcast ', 'from' => $day, 'to' => $day, 'amount' => '57', 'currency' => 'EUR'])
            ->assertCreated()->assertJsonPath('source', 'podcast');
        $costs = $this->getJson('/studio/api/costs?days=28')->assertOk()->assertJsonPath('whole.perCustomer', '€57')
            ->assertJsonPath('breakEven', $day);
        $rows = array_column($costs->json('sources'), null, 'source');
        self::assertSame([5_700, '€19', '€57', 190 / 57, null, ''], [$rows['podcast']['spent'], $rows['podcast']['perVisitor'],
            $rows['podcast']['perCustomer'], $rows['podcast']['timesBack'], $rows['newsletter']['spent'],
            $rows['newsletter']['perCustomer']]);
        // What was spent in another currency is shown, and not held against what came in.
        $this->postJson('/studio/api/costs', ['source' => 'podcast', 'from' => $day, 'amount' => '10',
            'currency' => 'USD'])->assertCreated();
        $row = array_column($this->getJson('/studio/api/costs?days=28')->json('sources'), null, 'source')['podcast'];
        self::assertSame([null, '', true], [$row['spent'], $row['perCustomer'], $row['foreign']]);
        self::assertStringContainsString('$10', $row['spentWords']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongSpends(): iterable
    {
        yield 'no source' => [['source' => ''], 'source'];
        yield 'no amount' => [['amount' => 'much'], 'amount'];
        yield 'nothing' => [['amount' => '0'], 'amount'];
        yield 'less than nothing' => [['amount' => '-5'], 'amount'];
        yield 'no day' => [['from' => 'today'], 'from'];
        yield 'backwards' => [['to' => '2020-01-01'], 'to'];
        yield 'no currency' => [['currency' => 'XXQ'], 'currency'];
        yield 'a list' => [['source' => ['podcast']], 'source'];
    }

    /** @param  array<string, mixed>  $typed */
    #[DataProvider('wrongSpends')]
    public function test_a_spend_that_cannot_be_is_refused(array $typed, string $at): void
    {
        $this->actingAs($this->seller)->postJson('/studio/api/costs', $typed + ['source' => 'podcast', 'from' => '2027-04-01',
            'to' => '2027-04-02', 'amount' => '5', 'currency' => 'EUR'])->assertUnprocessable()->assertJsonValidationErrorFor($at);
        self::assertSame(0, Spend::query()->count());
    }

    /** @return iterable<string, array{string, int|string}> how many lines come in, or what is said */
    public static function files(): iterable
    {
        yield 'with commas' => ["source,from,to,amount\npodcast,2027-04-01,2027-04-07,\"1,200.50\"\nleaflet,2027-04-02,,30\n", 2];
        yield 'with semicolons, in another order' => ["Amount;Day;Channel;Currency\n30;2027-04-01;Podcast;usd\n\n", 1];
        yield 'in another encoding' => ["\xFF\xFE".mb_convert_encoding("source\tdate\tcost\npödcast\t2027-04-01\t5\n", 'UTF-16LE',
            'UTF-8'), 1];
        yield 'a day that is none' => ["source,from,amount\npodcast,1.4.2027,5\n", 'Line 2: its days cannot be read'];
        yield 'an amount that is none' => ["source,from,amount\npodcast,2027-04-01,5\nx,2027-04-01,y\n",
            'Line 3: its amount cannot be read'];
        yield 'no source' => ["source,from,amount\n,2027-04-01,5\n", 'Line 2 names no source'];
        yield 'other columns' => ["a,b,c\n1,2,3\n", 'names the columns'];
        yield 'nothing' => ['', 'names the columns'];
        yield 'names alone' => ["source,from,amount\n", 'no line below'];
        yield 'no text' => [str_repeat("\x00\x01\x9C", 1000), 'names the columns'];
    }

    #[DataProvider('files')]
    public function test_a_file_of_spends_comes_in_whole_or_not_at_all(string $file, int|string $expected): void
    {
        $answer = $this->actingAs($this->seller)->post('/studio/api/costs/import', ['file' => $this->file('costs.csv', $file)],
            ['Accept' => 'application/json']);
        if (is_int($expected)) {
            $answer->assertCreated()->assertJsonPath('count', $expected);
            self::assertSame($expected, Spend::query()->count());
        } else {
            self::assertStringContainsString($expected, (string) $answer->assertUnprocessable()->json('message'));
            self::assertSame(0, Spend::query()->count());
        }
    }

    public function test_funnels_of_a_business_without_any(): void
    {
        Funnel::query()->update(['archived_at' => now()]);
        $this->actingAs($this->seller)->getJson('/studio/api/results')->assertOk()->assertJsonPath('funnels', [])
            ->assertJsonPath('sentence', 'Nobody came in this time.');
    }
}
