<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Front\Answer;
use App\Front\Front;
use App\Front\FrontPages;
use App\Front\FrontSettings;
use App\Models\Funnel;
use App\Serving\TakeWrittenDown;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Trigger\PageSeen;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;
use Tests\TestCase;

/**
 * Views that pages report are written down before the framework starts, and counted a moment later. That both ways count alike,
 * {@see \Tests\BothWays} holds for each view of every test.
 */
final class ViewReportsTest extends TestCase
{
    private const SERVER = ['REQUEST_METHOD' => 'POST', 'REQUEST_URI' => '/m/view', 'QUERY_STRING' => '', 'HTTP_HOST' => 'localhost',
        'SCRIPT_NAME' => '/index.php', 'REMOTE_ADDR' => '203.0.113.9', 'HTTP_USER_AGENT' => self::CHROME];

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->funnel = $this->live();
    }

    /**
     * @param  array<array-key, mixed>  $sent
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $cookies
     */
    private function report(array $sent = [], array $server = [], array $cookies = [], ?FrontSettings $settings = null): ?Answer
    {
        $answer = Front::answer(base_path(), $server + self::SERVER, $cookies, $settings ?? FrontPages::settings(),
            DB::connection()->getPdo(), now()->toImmutable(), $sent + $this->seen());
        self::assertNull(Front::$fault, (string) Front::$fault);

        return $answer;
    }

    /** @return array<string, string> */
    private function seen(string $visitor = 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa'): array
    {
        return ['funnel' => $this->funnel->id, 'page' => $this->entry($this->funnel)->id, 'visitor' => $visitor, 'source' => '',
            'from' => ''];
    }

    private function waiting(): int
    {
        return DB::table('seen_views')->where('counted', false)->count();
    }

    private function viewed(): int
    {
        return DB::table('events')->where('type', 'viewed')->count();
    }

    public function test_a_view_is_written_down_at_once_and_counted_once_with_the_moment_at_which_it_was(): void
    {
        $answer = $this->report(['source' => 'utm_source=talk', 'from' => 'https://blog.example/x'],
            cookies: [SiteCookie::Zone->value => 'Europe/Berlin']);
        self::assertSame([204, '', 12], [$answer?->status, $answer?->body, strlen((string) $answer?->later)]);
        $framework = $this->post('/m/view', ['funnel' => 'x'])->assertNoContent();
        foreach ($answer->headers ?? [] as $name => $value) {
            self::assertSame($value, $framework->headers->get($name), $name);
        }
        self::assertSame([1, 0], [$this->waiting(), $this->viewed()]);
        $at = now();
        $this->travel(9)->seconds();
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');
        self::assertSame([0, 1], [$this->waiting(), $this->viewed()]);
        $event = DB::table('events')->where('type', 'viewed')->sole();
        self::assertSame([$at->format('Y-m-d H:i:s.u'), 'talk', 'computer', $this->funnel->live_version_id],
            [$event->at, $event->last_touch, $event->device, $event->version_id]);
    }

    public function test_views_of_many_pages_are_counted_alike_both_ways(): void
    {
        foreach (['', 'utm_source=x&ref=y', "utm_source=\u{202e}x", 'a%5B%5D=1', str_repeat('u', 2001)] as $i => $source) {
            foreach (['', 'https://blog.example/', 'http://localhost/x', 'nonsense', "https://\xff.example/",
                str_repeat('h', 3000)] as $from) {
                $this->post('/m/view', ['source' => $source, 'from' => $from, 'variant' => 'b'] + $this->seen(md5("v{$i}")))
                    ->assertNoContent();
            }
        }
        self::assertSame([30, 30], [$this->viewsBefore, $this->viewed()]);
    }

    /** @return iterable<string, array{array<array-key, mixed>, array<string, mixed>}> what is sent, and the server's values */
    public static function nothing(): iterable
    {
        foreach (['funnel', 'page', 'visitor'] as $name) {
            foreach (['', 'x', ['a'], str_repeat('a', 26), null, 7, "\0"] as $value) {
                yield "{$name}: ".json_encode($value) => [[$name => $value], []];
            }
        }
        yield 'a program' => [[], ['HTTP_USER_AGENT' => 'Googlebot/2.1']];
        yield 'fetched ahead' => [[], ['HTTP_SEC_PURPOSE' => 'prefetch;prerender']];
    }

    /**
     * @param  array<array-key, mixed>  $sent
     * @param  array<string, mixed>  $server
     */
    #[DataProvider('nothing')]
    public function test_what_counts_nothing_is_answered_alike_and_leaves_nothing(array $sent, array $server): void
    {
        self::assertSame(204, $this->report($sent, $server)?->status);
        self::assertSame(0, $this->waiting());
        $this->withServerVariables($server)->post('/m/view', array_filter($sent + $this->seen(), fn (mixed $v): bool => $v !== null))
            ->assertNoContent();
        self::assertSame(0, $this->viewed());
    }

    /** @return iterable<string, array{array<array-key, mixed>}> */
    public static function noDeeds(): iterable
    {
        foreach (['funnel', 'page', 'visitor', 'did'] as $name) {
            foreach (['', 'x', ['a'], str_repeat('a', 26), 7, "\0"] as $value) {
                yield "{$name}: ".json_encode($value) => [[$name => $value]];
            }
        }
        foreach (['', '-1', '1.5', '99999', '900', ['0'], '$', "0]') or 1=1 --"] as $value) {
            yield 'at: '.json_encode($value) => [['at' => $value]];
        }
        yield 'a variant that there is not' => [['variant' => 'b']];
        yield 'none that is one' => [['variant' => "'"]];
    }

    /** @param  array<array-key, mixed>  $sent */
    #[DataProvider('noDeeds')]
    public function test_a_deed_that_is_none_is_answered_alike_and_leaves_nothing(array $sent): void
    {
        $server = ['REQUEST_URI' => '/m/did'];
        self::assertSame(204, $this->report($sent + ['did' => 'press', 'at' => '0'], $server)?->status);
        self::assertSame(0, $this->waiting());
        $this->post('/m/did', $sent + ['did' => 'press', 'at' => '0'] + $this->seen())->assertNoContent();
        self::assertSame(0, DB::table('events')->count());
    }

    public function test_what_somebody_does_on_a_page_is_written_down_and_counted_after_what_they_saw(): void
    {
        $places = (array) json_decode((string) DB::table('published_pages')->where('page_id', $this->entry($this->funnel)->id)
            ->value('places'), true);
        $this->report();
        $this->travel(1)->seconds();
        self::assertSame(204, $this->report(['did' => 'press', 'at' => '0'], ['REQUEST_URI' => '/m/did'])?->status);
        $this->travel(1)->seconds();
        self::assertSame(204, $this->report(['did' => 'read', 'at' => '1'], ['REQUEST_URI' => '/m/did'])?->status);
        self::assertSame([3, 0], [$this->waiting(), $this->viewed()]);
        app(TakeWrittenDown::class)->work(now()->toImmutable());

        self::assertSame([['viewed', null], ['pressed', $places['blocks'][0]], ['read', $places['sections'][1]]], DB::table('events')
            ->orderBy('id')->get()->map(fn ($e): array => [$e->type, $e->part])->all());
        self::assertSame([0, 3], [$this->waiting(), DB::table('seen_views')->count()], 'all of them say how many come from one address');
    }

    public function test_what_the_front_leaves_to_the_framework(): void
    {
        $owner = [SiteCookie::Owner->value => SiteCookies::give(SiteCookie::Owner, '1')->getValue()];
        $proxied = clone FrontPages::settings();
        $answers = ['its owner' => $this->report(cookies: $owner),
            'a cookie under no seal of today' => $this->report(cookies: [SiteCookie::Reader->value => 'eyJpdiI6']),
            'a proxy, of whom only the framework knows whom it speaks for' => $this->report(settings: new FrontSettings($proxied->on,
                $proxied->key, $proxied->studio, $proxied->site, $proxied->database, ['203.0.113.0/24'], $proxied->stamp,
                $proxied->drawnBy)),
            'another path' => $this->report(server: ['REQUEST_URI' => '/m/view?x=1']),
            'another host' => $this->report(server: ['HTTP_HOST' => 'evil.example']),
            'another method' => $this->report(server: ['REQUEST_METHOD' => 'PUT']),
            'sent in another form' => Front::answer(base_path(), self::SERVER, [], FrontPages::settings(), DB::connection()->getPdo(),
                now()->toImmutable())];
        DB::table('version_triggers')->insert(['version_id' => $this->funnel->live_version_id,
            'trigger_key' => (new PageSeen($this->entry($this->funnel)->id))->key()]);
        $answers['something begins by it'] = $this->report();
        self::assertSame([], array_keys(array_filter($answers)));
        self::assertSame(0, $this->waiting());
    }

    public function test_what_somebody_does_is_credited_to_what_they_saw_though_it_was_not_counted_yet(): void
    {
        $this->report(['source' => 'utm_source=talk']);
        $this->report(['source' => 'utm_source=other'] + $this->seen(str_repeat('b', 32)));
        $this->post('/'.$this->funnel->address, ['email' => 'robin@example.com', 'visitor' => str_repeat('a', 32)]
            + $this->form($this->funnel))->assertStatus(303);
        self::assertSame([1, 1], [$this->waiting(), $this->viewed()], 'theirs, and nobody else’s');
        $joined = DB::table('events')->where('type', 'joined')->sole();
        self::assertSame(['talk', true], [$joined->last_touch, $joined->id > DB::table('events')->where('type', 'viewed')->value('id')]);
    }

    public function test_a_process_that_dies_while_it_counts_loses_and_doubles_nothing(): void
    {
        foreach (range(1, 60) as $n) {
            $this->report($this->seen(md5("v{$n}")));
        }
        $counted = 0;
        DB::listen(function ($query) use (&$counted): void {
            if (str_starts_with($query->sql, 'insert into "events"') && ++$counted === 40) {
                throw new RuntimeException('Killed.');
            }
        });
        try {
            app(TakeWrittenDown::class)->work(now()->toImmutable());
            self::fail('It died.');
        } catch (RuntimeException $e) {
            self::assertSame('Killed.', $e->getMessage());
        }
        self::assertSame(60, $this->waiting() + $this->viewed());
        self::assertGreaterThan(20, $this->waiting());
        app(TakeWrittenDown::class)->work(now()->toImmutable());
        self::assertSame([0, 60, 60], [$this->waiting(), $this->viewed(), DB::table('events')->distinct()->count('visitor')]);
    }

    public function test_more_than_people_look_at_waits_for_nobody(): void
    {
        foreach (range(1, 240) as $n) {
            self::assertNotNull($this->report($this->seen(md5("v{$n}"))));
        }
        self::assertNull($this->report(), 'the framework says when it is too much');
        self::assertNotNull($this->report(server: ['REMOTE_ADDR' => '203.0.113.10']));
        app(TakeWrittenDown::class)->work(now()->toImmutable());
        self::assertNull($this->report(), 'also when they are counted');
        $this->travel(61)->seconds();
        self::assertNotNull($this->report());
        app(TakeWrittenDown::class)->work(now()->toImmutable());
        self::assertSame(1, DB::table('seen_views')->count(), 'what is older than a minute is gone');
        $this->report();
        $this->funnel->forceDelete();
        self::assertSame(0, app(TakeWrittenDown::class)->work(now()->toImmutable()), 'a funnel that is gone has no views');
    }

    public function test_a_database_from_before_views_were_marked_as_counted_takes_sign_ups_again(): void
    {
        DB::statement('drop index seen_views_counted_index');
        DB::statement('alter table seen_views drop column counted');
        $mend = require database_path('migrations/2026_12_03_000003_mark_counted_views.php');
        self::assertIsObject($mend);
        foreach (['once', 'and again'] as $time) {
            $mend->up();
            self::assertSame(0, DB::table('seen_views')->where('counted', false)->count(), $time);
        }
    }
}
