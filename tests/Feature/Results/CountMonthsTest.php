<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\User;
use App\Results\CountMonths;
use App\Results\CountReader;
use App\Results\Counts;
use App\Results\CountSums;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Drafts\Page;
use Tests\TestCase;

/** Months that are over are added up, and say the same as their days. */
final class CountMonthsTest extends TestCase
{
    private User $user;

    private Funnel $funnel;

    /** @var list<string> */
    private array $pages;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-05-10 12:00:00');
        $this->user = $this->owner();
        $this->funnel = $this->live($this->user);
        $this->pages = Page::query()->where('funnel_id', $this->funnel->id)->orderBy('position')->pluck('id')->all();
    }

    private function visit(string $visitor, CarbonImmutable $at, ?string $source = null): void
    {
        app(Events::class)->take(new NewEvent(EventType::Viewed, $this->user->business, $at, $this->funnel, page: $this->pages[0],
            visitor: md5($visitor), source: $source));
    }

    private function visits(): void
    {
        $dice = new Randomizer(new Mt19937(11));
        for ($i = 0; $i < 240; $i++) {
            $this->visit((string) $dice->getInt(1, 40), CarbonImmutable::parse('2026-01-01', 'UTC')->addHours($dice->getInt(0, 129 * 24)),
                [null, 'podcast', 'newsletter'][$dice->getInt(0, 2)]);
        }
    }

    /** @return array<string, mixed> what is read of some periods */
    private function said(): array
    {
        $said = [];
        foreach ([['2026-01-01', '2026-04-30'], ['2026-01-17', '2026-05-10'], ['2026-02-01', '2026-03-31'], ['2026-02-28', '2026-05-01'],
            ['2026-03-02', '2026-04-29'], ['2026-01-02', '2026-04-30']] as [$from, $to]) {
            $period = Period::between($from, $to);
            $said["{$from} {$to}"] = array_map(fn (array $pages): array => array_map(fn (CountSums $s): array => [
                $s->of(Measure::Visitors), $s->of(Measure::Views)], $pages), ['' => CountReader::byPage([$this->funnel->id],
                    $period)[$this->funnel->id], ...CountReader::byAxis($this->funnel->id, $period, 'last')]);
        }

        return $said;
    }

    private function built(): int
    {
        return DB::table('counted_months')->where('built', true)->count();
    }

    public function test_a_period_says_the_same_by_its_months_and_by_its_days(): void
    {
        $this->visits();
        self::assertSame(0, $this->built());
        $byDay = $this->said();
        Artisan::call('lantern:due');
        self::assertSame(4, $this->built(), 'January to April; May is not over');
        self::assertGreaterThan(20, DB::table('month_counts')->count());
        self::assertEquals($byDay, $this->said());
        self::assertSame(0, app(Counts::class)->differences($this->user->business));
        // What is wrong in them is found, and made right by counting anew.
        DB::table('month_counts')->limit(1)->update(['how_many' => 999]);
        self::assertSame(2, app(Counts::class)->differences($this->user->business));
        app(Counts::class)->rebuild($this->user->business);
        self::assertEquals($byDay, $this->said());
    }

    public function test_what_is_counted_late_is_read_at_once_and_added_up_again(): void
    {
        $this->visits();
        Artisan::call('lantern:due');
        $before = $this->said();
        // A day that comes late lies between others of the same visitor.
        foreach (['2026-02-11', '2026-03-01', '2026-03-31'] as $day) {
            $this->visit('7', CarbonImmutable::parse("{$day} 11:00:00", 'UTC'), 'podcast');
            $this->visit("new {$day}", CarbonImmutable::parse("{$day} 11:00:00", 'UTC'));
        }
        $late = $this->said();
        self::assertNotEquals($before, $late);
        self::assertLessThan(4, $this->built());
        Artisan::call('lantern:due');
        self::assertSame(4, $this->built());
        self::assertEquals($late, $this->said());
        self::assertSame(0, app(Counts::class)->differences($this->user->business));
    }

    public function test_a_month_is_added_up_once_it_is_over_everywhere(): void
    {
        $months = app(CountMonths::class);
        self::assertNull($months->next(CarbonImmutable::now()));
        $this->visit('1', CarbonImmutable::now());
        self::assertSame('2026-06-01 12:00', $months->next(CarbonImmutable::now())?->format('Y-m-d H:i'));
        $this->travelTo('2026-06-01 11:59:59');
        self::assertSame(0, $months->work(CarbonImmutable::now()));
        $this->travelTo('2026-06-01 12:00:00');
        self::assertEquals(CarbonImmutable::now(), $months->next(CarbonImmutable::now()));
        self::assertSame(1, $months->work(CarbonImmutable::now()));
        self::assertNull($months->next(CarbonImmutable::now()));
    }
}
