<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Deadlines\Joining;
use App\Front\Answer;
use App\Front\Ask;
use App\Front\Front;
use App\Front\FrontFacts;
use App\Front\FrontPages;
use App\Front\FrontSettings;
use App\Front\GoOn;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Publishing\Publishing;
use App\Rendering\PageRenderer;
use App\Serving\Facts\Need;
use App\Serving\PublishedPages;
use App\Support\Ids;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Plan\PageRole;
use PDO;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Deadlines\DeadlineTestCase;

/**
 * What is answered before the framework starts. That it is answered alike, {@see \Tests\BothWays} holds for each look of every test;
 * here stands which looks are answered at all, and that the next one after any change shows it.
 */
final class FrontTest extends DeadlineTestCase
{
    private const SITE = ['HTTP_HOST' => 'localhost', 'SCRIPT_NAME' => '/index.php', 'REMOTE_ADDR' => '203.0.113.9',
        'HTTP_USER_AGENT' => self::CHROME];

    /** @param  array<string, mixed>  $more */
    private function ask(string $uri, array $more = [], array $cookies = [], ?FrontSettings $settings = null): ?Answer
    {
        $answer = Front::answer(base_path(), $more + ['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => $uri,
            'QUERY_STRING' => explode('?', $uri, 2)[1] ?? ''] + self::SITE, $cookies, $settings ?? FrontPages::settings(),
            DB::connection()->getPdo(), now()->toImmutable());
        self::assertNull(Front::$fault, (string) Front::$fault);

        return $answer;
    }

    private static function cookie(SiteCookie $cookie, string $value): array
    {
        return [$cookie->value => SiteCookies::give($cookie, $value)->getValue()];
    }

    public function test_a_hundred_looks_are_answered_before_the_framework_and_alike(): void
    {
        $person = $this->reader();
        $this->click($person);
        $visitor = md5('robin');
        app(Joining::class)->join($visitor, $person->id, now()->toImmutable());
        $optIn = $this->live($this->seller);
        $joined = $this->join($optIn, ['email' => 'ash@example.com', 'first_name' => 'Ash & Co', 'zone' => 'Asia/Tokyo'])->getCookie(
            SiteCookie::Joined->value, false)?->getValue();
        $pages = ["/{$optIn->address}" => [], $this->url(PageRole::Closed) => [],
            $this->url(PageRole::Sales) => [SiteCookie::Visitor->value => $visitor]];
        $this->answeredByFront = 0;
        foreach ($pages as $page => $needed) {
            foreach ([[], [SiteCookie::Joined->value => (string) $joined], [SiteCookie::Zone->value => 'America/New_York'],
                [SiteCookie::Zone->value => 'nonsense', 'unknown' => 'x']] as $cookies) {
                foreach (['', '?utm_source=talk&utm_medium=&ref=+x+', '?step=2&a[]=1&%00=%ff&first_name=%3Cb%3E', '?'] as $query) {
                    foreach ([[], ['Accept-Encoding' => 'br, gzip;q=0.8'], ['Accept-Encoding' => 'gzip;q=0',
                        'If-None-Match' => '"x", W/']] as $headers) {
                        $this->defaultCookies = $this->unencryptedCookies = [];
                        $this->withUnencryptedCookies($cookies + $needed)->get("{$page}{$query}", $headers)->assertOk();
                    }
                }
            }
        }
        $this->head("/{$optIn->address}")->assertOk();
        self::assertSame(count($pages) * 48 + 1, $this->answeredByFront, 'all of them before the framework');
    }

    public function test_what_begins_or_knows_more_is_left_to_the_framework(): void
    {
        $sales = $this->url(PageRole::Sales);
        self::assertNotNull($this->ask($this->url(PageRole::Closed)));
        self::assertNull($this->ask($sales), 'nobody without a deadline stays on the page that it guards');
        self::assertNull($this->ask($this->url(PageRole::Closed), cookies: self::cookie(SiteCookie::Owner, '1')), 'the owner');
        $optIn = $this->live($this->seller);
        self::assertNotNull($this->ask("/{$optIn->address}"));
        self::assertNull($this->ask("/{$optIn->address}/thank-you", cookies: [SiteCookie::Joined->value => 'made~up']), 'a seal of no one');
        foreach (['?answer=no', '?deadline=running', '?variant=b', '?visitor='.md5('x')] as $query) {
            self::assertNull($this->ask("/{$optIn->address}{$query}"), $query);
        }
        $funnel = $this->funnel;
        $funnel->closes_at = now()->addMinute();
        $funnel->save();
        self::assertStringContainsString('s-maxage=10', (string) $this->ask($this->url(PageRole::Closed))?->headers['Cache-Control']);
        $this->travel(55)->seconds();
        self::assertStringContainsString('s-maxage=5', (string) $this->ask($this->url(PageRole::Closed))?->headers['Cache-Control']);
        $this->travel(6)->seconds();
        self::assertNull($this->ask($this->url(PageRole::Closed)), 'it is closed');
    }

    public function test_a_deadline_that_runs_keeps_its_visitor_and_one_that_is_over_leads_on(): void
    {
        $person = $this->reader();
        $this->click($person);
        $visitor = md5('robin');
        app(Joining::class)->join($visitor, $person->id, now()->toImmutable());
        $cookies = [SiteCookie::Visitor->value => $visitor];
        $answer = $this->ask($this->url(PageRole::Sales), cookies: $cookies);
        self::assertSame([200, 'no-store, private'], [$answer?->status, $answer?->headers['Cache-Control']]);
        $waits = ['submission' => Ids::next(), 'token' => md5('t'), 'funnel_id' => (string) DB::table('funnels')->value('id'),
            'version_id' => 'v', 'page_id' => 'p', 'form_id' => 'f', 'visitor' => $visitor, 'sent' => '{}', 'shown' => '{}',
            'ip' => '203.0.113.9', 'at' => now()->format('Y-m-d H:i:s.u')];
        DB::table('received_signups')->insert($waits);
        self::assertNull($this->ask($this->url(PageRole::Sales), cookies: $cookies), 'a form they have just sent may have begun another');
        DB::table('received_signups')->delete();
        $this->travelTo((string) $this->end($person));
        self::assertNull($this->ask($this->url(PageRole::Sales), cookies: $cookies), 'the framework leads on, and notices');
    }

    /** @param  array<string, mixed>  $cookies */
    private function facts(array $cookies, Funnel $funnel): FrontFacts
    {
        $ask = Ask::of(['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => "/{$funnel->address}", 'QUERY_STRING' => ''] + self::SITE,
            $cookies, [], fn (): PDO => self::fail('The host of the site is known without a database.'));
        self::assertNotNull($ask);

        return new FrontFacts(DB::connection()->getPdo(), $ask, $funnel->id, now()->toImmutable());
    }

    public function test_a_deadline_that_is_over_is_noticed_by_the_framework_before_the_front_tells_it(): void
    {
        $person = $this->reader();
        $this->click($person);
        $visitor = md5('robin');
        app(Joining::class)->join($visitor, $person->id, now()->toImmutable());
        $this->travelTo((string) $this->end($person));
        $this->travel(1)->days();
        $deadline = DraftPart::query()->findOrFail($this->deadline)->part();
        self::assertInstanceOf(Deadline::class, $deadline);
        $state = function () use ($deadline, $visitor): string {
            $facts = $this->facts([SiteCookie::Visitor->value => $visitor], $this->funnel);
            try {
                return $facts->states([$deadline], $facts->identity($this->seller->business->zone()))->state($deadline->id)->name;
            } catch (GoOn) {
                return 'goes on';
            }
        };
        self::assertSame('goes on', $state());
        DB::table('deadline_runs')->update(['closed_at' => now()]);
        self::assertSame('Over', $state());
    }

    public function test_what_was_typed_in_another_funnel_is_not_known_in_this_one(): void
    {
        $optIn = $this->live($this->seller);
        $this->join($optIn, ['email' => 'ash@example.com', 'first_name' => 'Ash'])->assertStatus(303);
        $cookies = self::cookie(SiteCookie::Joined, (string) DB::table('submissions')->value('id'));
        self::assertSame('Ash', $this->facts($cookies, $optIn)->for([Need::submission()])->submission()->answers['first_name'] ?? null);
        self::assertNull($this->facts($cookies, $this->funnel)->for([Need::submission()])->submission());
    }

    public function test_the_next_look_after_any_change_shows_it(): void
    {
        $funnel = $this->live($this->seller);
        $says = fn (string $words): bool => str_contains((string) $this->ask("/{$funnel->address}")?->body, $words);
        self::assertTrue($says('The Twelve-Minute Practice Plan'));
        $entry = $this->entry($funnel);
        $document = $entry->document;
        array_walk_recursive($document, fn (mixed & $v): mixed => $v = $v === 'The Twelve-Minute Practice Plan' ? 'Eleven minutes' : $v);
        DraftPart::query()->findOrFail($entry->id)->change(['document' => $document])->save();
        self::assertFalse($says('Eleven minutes'), 'a draft is nobody else’s');
        app(Publishing::class)->publish($funnel->refresh(), null);
        self::assertTrue($says('Eleven minutes'));
        $first = DB::table('versions')->where('funnel_id', $funnel->id)->orderBy('number')->value('id');
        DB::table('funnels')->where('id', $funnel->id)->update(['live_version_id' => $first]);
        self::assertTrue($says('The Twelve-Minute Practice Plan'), 'rolled back');

        // Of another address nothing is written down yet: the framework answers, and writes it down.
        DB::table('funnels')->where('id', $funnel->id)->update(['address' => 'elsewhere']);
        self::assertNull($this->ask("/{$funnel->address}"));
        self::assertNull($this->ask('/elsewhere'));
        $this->get('/elsewhere')->assertOk();
        self::assertStringContainsString('action="/elsewhere"', (string) $this->ask('/elsewhere')?->body);
        // What the business says in other words is drawn anew.
        app(PublishedPages::class)->drawAnew($this->seller->business);
        self::assertNull($this->ask('/elsewhere'));
        $this->get('/elsewhere')->assertOk();
        self::assertNotNull($this->ask('/elsewhere'));
        DB::table('funnels')->where('id', $funnel->id)->update(['state' => 'closed']);
        self::assertNull($this->ask('/elsewhere'));
        DB::table('funnels')->where('id', $funnel->id)->update(['state' => 'live', 'archived_at' => now()]);
        self::assertNull($this->ask('/elsewhere'));
    }

    public function test_what_another_release_or_half_a_disk_left_is_not_answered_and_is_mended_by_the_next_look(): void
    {
        $path = $this->url(PageRole::Closed);
        $now = FrontPages::settings();
        self::assertNotNull($this->ask($path));
        $other = new FrontSettings(true, $now->key, $now->studio, $now->site, $now->database, [], str_repeat('0', 32), $now->drawnBy);
        self::assertNull($this->ask($path, settings: $other));
        self::assertNull($this->ask($path, settings: new FrontSettings(true, $now->key, $now->studio, $now->site, $now->database, [],
            $now->stamp, PageRenderer::REVISION + 1)));
        self::assertNull($this->ask($path, settings: new FrontSettings(false, $now->key, $now->studio, $now->site, $now->database, [],
            $now->stamp, $now->drawnBy)), 'switched off');
        foreach (['delete from page_fronts', 'update page_fronts set written = substr(written, 1, 200)',
            "update page_fronts set written = 'a:0:{}'"] as $harm) {
            DB::unprepared($harm);
            $answer = Front::answer(base_path(), ['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => $path, 'QUERY_STRING' => ''] + self::SITE, [],
                $now, DB::connection()->getPdo(), now()->toImmutable());
            Front::$fault = null;
            self::assertNull($answer, $harm);
            DB::table('page_fronts')->delete();
            $this->get($path)->assertOk();
            self::assertNotNull($this->ask($path), 'the look before wrote it down');
        }
    }

    public function test_where_there_is_nothing_it_is_said_in_the_words_of_the_business_of_now(): void
    {
        self::assertNull($this->ask('/nowhere'), 'nobody has asked yet');
        $this->get('/nowhere')->assertNotFound();
        $said = $this->ask('/elsewhere/either');
        self::assertSame([404, 'no-store, private'], [$said?->status, $said?->headers['Cache-Control'] ?? '']);
        $this->get('/nowhere')->assertNotFound();
        $this->head('/nowhere')->assertNotFound();
        self::assertSame(2, $this->answeredByFront);
        foreach (['/studio', '/up', '/m/now', '/media', "/{$this->funnel->address}/nothing"] as $path) {
            self::assertNull($this->ask($path), "{$path} is the framework's");
        }
        DB::table('old_addresses')->insert(['funnel_id' => $this->funnel->id, 'address' => 'nowhere', 'created_at' => now()]);
        self::assertNull($this->ask('/nowhere'), 'what was there once leads on');
        $this->seller->business->update(['language' => 'de']);
        self::assertNull($this->ask('/never-there'), 'said in another language now');
        $this->get('/never-there')->assertNotFound();
        self::assertStringContainsString('lang="de"', (string) $this->ask('/never-there')?->body);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function tricks(): iterable
    {
        foreach (['//A', '/A/', '/A.', '/a/%2e%2e/A', '/%41', '/A%00', '/A//', '/A;x=1', '/A%2fthank-you', '/A\\x', '/./A', '/A/thank-you/',
            '/'.str_repeat('a', 8192), '/A/'.str_repeat('b', 61), "/A\n", '/A#x', '*', '', 'http://localhost/A', "/\xff\xfe",
            '/ＡＢ'] as $path) {
            yield 'path '.substr(json_encode($path, JSON_INVALID_UTF8_SUBSTITUTE) ?: '', 0, 40) => [$path, []];
        }
        foreach (['POST', 'PUT', 'DELETE', 'OPTIONS', 'TRACE', 'PATCH', 'get', ''] as $method) {
            yield "method {$method}" => ['/A', ['REQUEST_METHOD' => $method]];
        }
        foreach (['evil.test', 'localhost.', 'localhost:80:80', '', '[::1]', 'LOCALHOST evil', 'xn--lcalhost', "localhost\0"] as $host) {
            yield 'host '.json_encode($host) => ['/A', ['HTTP_HOST' => $host]];
        }
        yield 'no host' => ['/A', ['HTTP_HOST' => null]];
        yield 'a folder that the settings do not know' => ['/pages/A', ['SCRIPT_NAME' => '/pages/index.php']];
        yield 'a query that is another one' => ['/A?x=1', ['QUERY_STRING' => 'variant=b']];
    }

    /** @param  array<string, mixed>  $server */
    #[DataProvider('tricks')]
    public function test_whatever_is_no_plain_look_at_a_page_goes_on_to_the_framework(string $uri, array $server): void
    {
        $address = $this->funnel->address.'/closed';
        self::assertNotNull($this->ask("/{$address}"));
        self::assertNull($this->ask(str_replace('A', $address, $uri), $server));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function rubbish(): iterable
    {
        yield 'a cookie of 8 KB' => [[], [SiteCookie::Joined->value => str_repeat('x', 8192)]];
        yield 'a list for a cookie' => [[], [SiteCookie::Joined->value => ['a'], SiteCookie::Zone->value => ['b']]];
        yield 'bytes' => [['HTTP_USER_AGENT' => "\xff\x00", 'HTTP_ACCEPT_ENCODING' => "gzip;q=\xff,,,;;"],
            [SiteCookie::Visitor->value => "\xff"]];
        yield 'tags' => [['HTTP_IF_NONE_MATCH' => str_repeat('W/"', 3000)], []];
        yield 'a range' => [['HTTP_RANGE' => 'bytes=0-10'], []];
    }

    /**
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $cookies
     */
    #[DataProvider('rubbish')]
    public function test_rubbish_is_no_fault(array $server, array $cookies): void
    {
        $answer = $this->ask($this->url(PageRole::Closed), $server, $cookies);
        self::assertSame(200, $answer?->status);
        self::assertNull(self::told($this->funnel, $answer));
    }

    /** @return string|null what an answer tells of what is not public */
    private static function told(Funnel $funnel, ?Answer $answer): ?string
    {
        return str_contains((string) $answer?->body, $funnel->name) ? $funnel->name : null;
    }

    public function test_a_page_without_anything_personal_is_held_by_caches_and_known_again(): void
    {
        $path = $this->url(PageRole::Closed);
        $tag = (string) $this->get($path)->assertOk()->headers->get('ETag');
        self::assertMatchesRegularExpression('#^W/"[0-9a-f]{32}"$#D', $tag);
        foreach ([$tag, "\"x\", {$tag}", substr($tag, 2), '*'] as $known) {
            $this->get($path, ['If-None-Match' => $known])->assertStatus(304)->assertContent('');
        }
        self::assertSame(5, $this->answeredByFront);
        $this->get($this->url(PageRole::Closed), ['If-None-Match' => '"x"'])->assertOk();
        $funnel = $this->live($this->seller);
        self::assertNull($this->get("/{$funnel->address}")->headers->get('ETag'), 'a form has its token');
    }

    public function test_below_a_folder_of_a_web_root_it_answers_there_and_nowhere_else(): void
    {
        $this->onTwoHosts('http://studio.test', 'http://pages.test/courses');
        $this->publish();
        $path = "/{$this->funnel->address}/closed";
        $there = ['HTTP_HOST' => 'pages.test', 'SCRIPT_NAME' => '/courses/index.php'];
        $answer = $this->ask("/courses{$path}", $there);
        self::assertSame(200, $answer?->status);
        self::assertNull($this->ask($path, $there));
        self::assertNull($this->ask("/courses{$path}", ['SCRIPT_NAME' => '/index.php'] + $there));
        self::assertNull($this->ask("/courses{$path}", ['HTTP_HOST' => 'studio.test'] + $there));
        $optIn = $this->live($this->seller)->address;
        self::assertStringContainsString("action=\"/courses/{$optIn}\"", (string) $this->ask("/courses/{$optIn}", $there)?->body,
            'its forms go there, too');
    }

    public function test_a_proxy_is_believed_whether_it_is_https(): void
    {
        $path = $this->url(PageRole::Closed);
        $of = FrontPages::settings();
        $behind = new FrontSettings(true, $of->key, $of->studio, $of->site, $of->database, ['203.0.113.0/24'], $of->stamp, $of->drawnBy);
        $https = fn (array $server, FrontSettings $settings): ?string => $this->ask($path, $server, [], $settings)
            ?->headers['Strict-Transport-Security'] ?? null;
        self::assertNull($https(['HTTP_X_FORWARDED_PROTO' => 'https'], $of));
        self::assertSame('max-age=31536000', $https(['HTTP_X_FORWARDED_PROTO' => 'https'], $behind));
        self::assertSame('max-age=31536000', $https(['HTTPS' => 'on'], $of));
        self::assertNull($https(['HTTP_X_FORWARDED_PROTO' => 'http'], $behind));
    }
}
