<?php

declare(strict_types=1);

namespace Tests\Feature\Forecast;

use App\Forecast\AskForecast;
use App\Forecast\ForecastFacts;
use App\Forecast\Forecasting;
use App\Forecast\MakeForecast;
use App\Models\Funnel;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forecast\Rates;
use RuntimeException;
use Tests\TestCase;

/** The forecast of a funnel over the Studio's API, from what was counted in it. */
final class ForecastTest extends TestCase
{
    private User $user;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->owner();
        $this->travelTo(self::moment()->subWeeks(9));
        $this->funnel = $this->live($this->user);
        $this->actingAs($this->user);
    }

    /** Ten come on each day of nine weeks, of whom three join, and of these one follows the link in their first email. */
    private function nineWeeks(): void
    {
        $page = $this->entry($this->funnel)->id;
        $email = $this->funnel->liveVersion?->plan()->emails[0];
        $counts = $messages = [];
        for ($day = 0; $day < 63; $day++) {
            $date = self::moment()->subWeeks(9)->addDays($day)->format('Y-m-d');
            foreach (['visitors' => 10, 'signups' => 3] as $measure => $many) {
                foreach ($measure === 'visitors' ? ['', $page] : [$page] as $of) {
                    $counts[] = ['funnel_id' => $this->funnel->id, 'slice' => '', 'day' => $date, 'page_id' => $of, 'measure' => $measure,
                        'how_many' => $many];
                }
            }
            foreach (range(1, 3) as $n) {
                $messages[] = ['id' => strtolower((string) \Illuminate\Support\Str::ulid()), 'business_id' => $this->user->business_id,
                    'funnel_id' => $this->funnel->id, 'email_id' => $email?->id, 'sequence_id' => $email?->sequence, 'kind' => 'sequence',
                    'name' => 'x', 'unique_key' => "{$day}-{$n}", 'to_address' => 'x@example.com', 'state' => 'sent',
                    'due_at' => "{$date} 09:00:00.000", 'sent_at' => "{$date} 09:00:00.000",
                    'clicked_at' => $n === 1 ? "{$date} 10:00:00.000" : null];
            }
        }
        DB::table('counts')->insert($counts);
        DB::table('messages')->insert($messages);
        $this->travelTo(self::moment());
    }

    public function test_what_it_stands_on(): void
    {
        $this->nineWeeks();
        $plan = $this->funnel->liveVersion?->plan() ?? throw new RuntimeException('It is live.');
        $today = CarbonImmutable::now()->setTimezone('Europe/Berlin')->startOfDay();
        $facts = new ForecastFacts($this->funnel, $plan, $today);
        $visits = $facts->visits();
        self::assertCount(56, $visits->days);
        self::assertSame(9 * 56, $visits->total(), 'who was led there by an email is not among those who came by themselves');
        self::assertEqualsWithDelta((168 + 0.35 * 8) / 568, $facts->rates()->of(Rates::page($plan->pages[0]->id))->mean, 1e-9);
        self::assertEqualsWithDelta((56 + 0.05 * 8) / 176, $facts->rates()->of(Rates::email($plan->emails[0]->id))->mean, 1e-9);
        self::assertSame([], $facts->tagged());
        self::assertSame(['signups' => 84, 'sales' => 0, 'money' => 0, 'emails' => 84], ForecastFacts::happened($this->funnel,
            $today->subWeeks(4), 28));
        // Weeks before there was a funnel say nothing of those to come.
        self::assertCount(14, (new ForecastFacts($this->funnel, $plan, $today->subWeeks(7)))->visits()->days);
    }

    public function test_it_is_asked_for_made_by_a_worker_and_held_against_what_came(): void
    {
        $this->nineWeeks();
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast")->assertOk()
            ->assertExactJson(['live' => true, 'making' => false, 'failed' => false, 'madeAt' => null, 'result' => null]);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/forecast")->assertStatus(202);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/forecast")->assertStatus(202);
        self::assertSame(1, DB::table('jobs')->where('payload', 'like', '%MakeForecast%')->count(), 'asked twice it is made once');
        self::assertTrue($this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast")->json('making'));
        app(Forecasting::class)->make($this->funnel->refresh(), 840);
        $made = $this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast")->assertOk();
        self::assertFalse($made->json('making'));
        [$low, $middle, $high] = $made->json('result.all.signups');
        self::assertEqualsWithDelta(9 * 56 * 0.3, $middle, 45);
        self::assertTrue($low < $middle && $middle < $high);
        self::assertSame(84, $made->json('result.past.came.signups'));
        [$low, , $high] = $made->json('result.past.forecast.signups');
        self::assertTrue($low <= 84 && $high + 15 >= 84, 'nothing had changed');
        self::assertSame('2027-04-14', $made->json('result.from'));
        self::assertCount(8, $made->json('result.weeks.emails'));
    }

    public function test_nobody_came_a_funnel_that_is_not_public_and_a_worker_that_dies(): void
    {
        $this->travelTo(self::moment());
        app(AskForecast::class)->of($this->funnel);
        app(Forecasting::class)->make($this->funnel, 84);
        $made = $this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast");
        self::assertSame([0, [0, 0, 0]], [$made->json('result.arrived'), $made->json('result.all.signups')]);
        AskForecast::of($this->funnel);
        (new MakeForecast($this->funnel->id))->failed(null);
        $failed = $this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast");
        self::assertSame([true, false, 0], [$failed->json('failed'), $failed->json('making'), $failed->json('result.arrived')]);
        // One that was lost can be asked for anew after a while.
        DB::table('jobs')->delete();
        AskForecast::of($this->funnel);
        AskForecast::of($this->funnel);
        $this->travel(16)->minutes();
        AskForecast::of($this->funnel);
        self::assertSame(2, DB::table('jobs')->count());
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/close")->assertOk();
        self::assertFalse($this->getJson("/studio/api/funnels/{$this->funnel->id}/forecast")->json('live'));
    }
}
