<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Models\Funnel;
use App\Models\Person;
use App\People\Privacy\Merge;
use App\Results\Counts;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class CountsTest extends TestCase
{
    private function see(Funnel $funnel, string $visitor, array $more = [], array $headers = []): void
    {
        $this->post('/m/view', $more + ['funnel' => $funnel->id, 'page' => $this->entry($funnel)->id,
            'visitor' => str_pad($visitor, 32, '0')], $headers)->assertNoContent();
    }

    private function total(string $measure): int
    {
        return (int) DB::table('counts')->where('measure', $measure)->where('slice', '')->sum('how_many');
    }

    public function test_views_visitors_and_sign_ups_by_day_in_the_owners_zone(): void
    {
        $this->travelTo(CarbonImmutable::parse('2026-03-28 21:00:00', 'UTC')); // 22:00 in Berlin, the evening before the clocks go forward
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->see($funnel, 'a', ['source' => 'utm_source=newsletter']);
        $this->see($funnel, 'a');
        $this->see($funnel, 'b');
        $this->travelTo(CarbonImmutable::parse('2026-03-28 23:30:00', 'UTC')); // half past midnight there
        $this->see($funnel, 'a');
        $this->join($funnel, ['email' => 'robin@example.com', 'visitor' => str_pad('a', 32, '0')]);

        $rows = fn (string $slice): array => DB::table('counts')->where('slice', $slice)->where('page_id', '!=', '')->orderBy('day')
            ->orderByDesc('how_many')->orderBy('measure')->get()
            ->map(fn ($r): string => trim("{$r->day} {$r->measure} {$r->how_many} {$r->before}"))->all();
        self::assertSame(['2026-03-28 views 3', '2026-03-28 visitors 2', '2026-03-29 signups 1', '2026-03-29 views 1',
            '2026-03-29 visitors 1 2026-03-28', '2026-03-29 went-on 1'], $rows(''));
        self::assertSame(['2026-03-28 visitors 1', '2026-03-29 signups 1', '2026-03-29 visitors 1 2026-03-28', '2026-03-29 went-on 1'],
            $rows('first:newsletter'));
        self::assertSame(['2026-03-28 visitors 1'], $rows('last:'));
        $results = $this->actingAs($owner)->getJson("/studio/api/funnels/{$funnel->id}/results?days=7")->assertOk();
        $results->assertJsonPath('steps.0.visitors', 2)->assertJsonPath('steps.0.views', 4)->assertJsonPath('steps.0.signupRate.rate', 0.5)
            ->assertJsonCount(7, 'days')->assertJsonPath('days.6.day', '2026-03-29')->assertJsonPath('success.kind', 'signups')
            ->assertJsonPath('success.count', 1)->assertJsonPath('success.trend', [0, 0, 0, 0, 0, 0, 1]);
        self::assertEqualsCanonicalizing(['', 'newsletter'], array_column($results->json('sources.first'), 'value'));

        $all = fn (): array => DB::table('counts')->orderBy('day')->orderBy('slice')->orderBy('page_id')->orderBy('measure')
            ->orderBy('before')->get()->all();
        $before = $all();
        app(Counts::class)->rebuild($owner->business);
        self::assertEquals($before, $all(),
            'rebuilt from the events they are the same');
        $this->putJson('/studio/api/settings', ['businessName' => 'F', 'senderName' => 'I', 'senderAddress' => 'i@ferncroft.example',
            'postalAddress' => 'x', 'timezone' => 'UTC', 'currency' => 'EUR'])->assertOk();
        self::assertSame(['2026-03-28'], DB::table('counts')->distinct()->pluck('day')->all(), 'in UTC it was one day');
        self::assertSame(4, $this->total('views'));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, string>}> */
    public static function notCounted(): iterable
    {
        yield 'a known program' => [[], ['User-Agent' => 'Somebot/1.0']];
        yield 'no name' => [[], ['User-Agent' => '']];
        yield 'a page loaded ahead of time' => [[], ['Sec-Purpose' => 'prefetch;prerender']];
        yield 'a page that is not there' => [['page' => '01aaaaaaaaaaaaaaaaaaaaaaaa'], []];
        yield 'no page' => [['page' => ['x']], []];
        yield 'script for a visitor' => [['visitor' => '<script>'], []];
    }

    /**
     * @param  array<string, mixed>  $more
     * @param  array<string, string>  $headers
     */
    #[DataProvider('notCounted')]
    public function test_what_is_not_counted(array $more, array $headers): void
    {
        $this->see($this->live(), 'a', $more, $headers);
        self::assertSame(0, DB::table('events')->count());
    }

    public function test_the_owners_visits_drafts_and_closed_funnels_are_not_counted(): void
    {
        $funnel = $this->live();
        $this->withCookie('lantern_owner', '1');
        $this->see($funnel, 'a');
        self::assertSame(0, DB::table('events')->count());
        $this->defaultCookies = [];
        $this->unencryptedCookies = [];
        $funnel->forceFill(['state' => 'closed'])->save();
        $this->see($funnel, 'b');
        $this->see($this->draft($this->owner('x@ferncroft.example')), 'c');
        self::assertSame(0, DB::table('events')->count());
    }

    public function test_after_people_were_merged_the_counts_are_what_counting_again_comes_to(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        foreach (['robin', 'ada', 'kim'] as $i => $name) {
            $this->travel($i === 0 ? 0 : 30)->hours();
            $this->see($funnel, (string) $i);
            $this->join($funnel, ['email' => "{$name}@example.com", 'visitor' => str_pad((string) $i, 32, '0')]);
        }
        $this->join($funnel, ['email' => 'kim@example.com', 'visitor' => str_pad('2', 32, '0')]);
        $person = fn (string $name): Person => Person::query()->where('email_key', "{$name}@example.com")->sole();
        $counts = fn (): array => DB::table('counts')->orderBy('slice')->orderBy('page_id')->orderBy('day')->orderBy('measure')
            ->orderBy('before')->get()->map(fn (object $c): string => implode(' ', (array) $c))->all();
        $signups = fn (): int => $this->total('signups');
        self::assertSame(3, $signups());
        foreach ([['kim', 'robin', 2], ['kim', 'ada', 1]] as [$stays, $goes, $left]) {
            app(Merge::class)->merge($person($stays), $person($goes));
            $kept = $counts();
            app(Counts::class)->rebuild($owner->business);
            self::assertSame([$left, $counts()], [$signups(), $kept]);
        }
    }

    public function test_a_person_has_one_history_with_what_they_did_before_they_were_known(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->see($funnel, 'a');
        $this->join($funnel, ['first_name' => 'Robin', 'email' => 'robin@example.com', 'visitor' => str_pad('a', 32, '0')]);
        $this->runQueue();
        $id = $this->actingAs($owner)->getJson('/studio/api/people?search=ROBIN')->assertJsonPath('total', 1)
            ->assertJsonPath('people.0.from', 'Practice plan')->json('people.0.id');

        $person = $this->getJson("/studio/api/people/{$id}")->assertOk()->assertJsonPath('consent.0.agreed', true)
            ->assertJsonPath('deliveries.0.downloads', 0);
        self::assertEqualsCanonicalizing(['viewed', 'joined', 'message-sent'], array_column($person->json('history'), 'kind'));
        $this->getJson('/studio/api/people?search=_')->assertJsonPath('total', 0);
        $before = $this->getJson('/studio/api/pulse')->json();
        $this->see($funnel, 'b');
        self::assertNotSame($before, $this->getJson('/studio/api/pulse')->json());
        $message = $this->getJson('/studio/api/messages?state=sent')->assertJsonPath('total', 1)->json('messages.0.id');
        $this->getJson("/studio/api/messages/{$message}")->assertOk()->assertJsonPath('from', 'Imke Farrow <imke@ferncroft.example>')
            ->assertJsonPath('mime', fn (string $m): bool => str_contains($m, 'List-Unsubscribe'));
        $this->getJson('/studio/api/search?q=rob')->assertJsonPath('found.0.kind', 'Person');
    }
}
