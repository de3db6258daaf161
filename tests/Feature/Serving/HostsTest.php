<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Models\User;
use App\Publishing\Publishing;
use App\Serving\HandOver;
use App\Support\Onward;
use App\Support\SiteAddress;
use Carbon\CarbonImmutable;
use Illuminate\Routing\Route as RouteOf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The Studio and the public pages stand on hosts of their own, and no answer believes what a request says of its host. */
final class HostsTest extends TestCase
{
    private const STUDIO = 'http://studio.test';

    private const SITE = 'http://pages.test';

    public function test_the_paths_of_one_host_are_not_on_the_other(): void
    {
        $funnel = $this->live($this->owner());
        $this->onTwoHosts();
        $this->actingAs(User::query()->firstOrFail());

        $this->get(self::STUDIO.'/studio')->assertOk()->assertSee('src="/build/', false)->assertDontSee('pages.test');
        $this->getJson(self::STUDIO.'/studio/api/funnels')->assertOk();
        $this->get(self::SITE."/{$funnel->address}")->assertOk();
        foreach (['/studio', '/studio/api/funnels', '/studio/preview/pages/'.$this->entry($funnel)->id,
            "/studio/open/{$funnel->id}"] as $path) {
            $this->get(self::SITE.$path)->assertNotFound();
        }
        $this->getJson(self::SITE.'/studio/api/funnels')->assertNotFound()->assertDontSee('Practice plan');
        foreach (["/{$funnel->address}", '/m/view', '/media/x/1.webp', '/f/x/y', '/u/x', '/e/x.js', '/h', '/preview/x'] as $path) {
            $this->get(self::STUDIO.$path)->assertNotFound();
        }
        $this->post(self::STUDIO."/{$funnel->address}", ['email' => 'robin@example.com'])->assertNotFound();
        $this->get(self::STUDIO.'/')->assertRedirect(self::STUDIO.'/studio');
        $this->get(self::SITE.'/')->assertNotFound()->assertDontSee('studio.test');
        foreach ([self::STUDIO, self::SITE] as $host) {
            $this->get("{$host}/up")->assertOk();
        }
    }

    public function test_a_proxy_that_the_settings_name_is_believed_who_comes_and_no_other(): void
    {
        $folder = sys_get_temp_dir().'/lantern-proxies-'.bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents("{$folder}/.env", "TRUSTED_PROXIES=10.1.2.3\nSITE_URL=http://localhost\n");
        $script = 'require "vendor/autoload.php"; $app = require "bootstrap/app.php"; $app->useEnvironmentPath($argv[1]);
            foreach (["10.1.2.3", "10.9.9.9"] as $proxy) {
                $app->make(Illuminate\Contracts\Http\Kernel::class)->handle($request = Illuminate\Http\Request::create("/up", server:
                    ["REMOTE_ADDR" => $proxy, "HTTP_X_FORWARDED_FOR" => "203.0.113.9", "HTTP_X_FORWARDED_PROTO" => "https"]));
                echo $request->ip(), " ", $request->isSecure() ? "https" : "http", "\n";
            }';
        $said = (new Process([PHP_BINARY, '-r', $script, $folder], base_path(), ['TRUSTED_PROXIES' => false]))->mustRun()->getOutput();
        self::assertSame("203.0.113.9 https\n10.9.9.9 http\n", $said);
    }

    public function test_whoever_runs_it_on_their_own_machine_is_told_where_the_studio_is_and_nobody_else(): void
    {
        $this->onTwoHosts('http://localhost:8000', 'http://127.0.0.1:8000');
        foreach (['/', '/studio'] as $path) {
            $this->get("http://127.0.0.1:8000{$path}")->assertNotFound()->assertSee('href="http://localhost:8000/studio"', false);
        }
        $this->get('http://127.0.0.1:8000/nothing')->assertNotFound()->assertDontSee('localhost:8000');
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])->get('http://127.0.0.1:8000/studio')->assertNotFound()
            ->assertDontSee('localhost:8000');
        $this->onTwoHosts();
        foreach (['/', '/studio'] as $path) {
            $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get(self::SITE.$path)->assertNotFound()
                ->assertDontSee('studio.test');
        }
    }

    public function test_forms_of_public_pages_go_to_us_alone_and_lead_elsewhere_by_a_page(): void
    {
        $this->onTwoHosts();
        $funnel = $this->live();
        foreach (["/{$funnel->address}", "/{$funnel->address}/thank-you", '/nothing-here', '/my/x/y'] as $path) {
            self::assertStringContainsString("form-action 'self';", (string) $this->get(self::SITE.$path)->headers
                ->get('Content-Security-Policy'), $path);
        }
        foreach (['https://elsewhere.example/x?a=1&b=%22' => true, self::STUDIO.'/studio' => true, self::SITE.'/practice-plan' => false,
            self::SITE.':8443/x' => true, '/practice-plan' => false, 'https://pages.test/x' => true] as $url => $leaves) {
            self::assertSame($leaves, Onward::leavesUs($url, self::SITE), $url);
        }
        $page = Onward::instead(new RedirectResponse('https://elsewhere.example/?a="><script>&b=2'));
        self::assertStringContainsString('url=https://elsewhere.example/?a=&quot;&gt;&lt;script&gt;&amp;b=2"',
            (string) $page->getContent());
    }

    public function test_no_proxy_says_which_host_was_asked(): void
    {
        $this->onTwoHosts();
        foreach (['X-Forwarded-Host' => 'studio.test', 'X-Forwarded-Port' => '80', 'Forwarded' => 'host=studio.test'] as $name => $value) {
            $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->withHeaders([$name => $value])->get(self::SITE.'/studio')
                ->assertNotFound();
        }
    }

    public function test_a_proxy_that_is_not_named_is_not_believed(): void
    {
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1', 'HTTP_X_FORWARDED_FOR' => '203.0.113.9'])->get('/up')->assertOk();

        self::assertSame('127.0.0.1', app('request')->ip());
    }

    /** @return iterable<string, array{string}> */
    public static function strangers(): iterable
    {
        yield 'another name' => ['http://evil.test'];
        yield 'a name that ends alike' => ['http://evil-pages.test'];
        yield 'a name below it' => ['http://x.pages.test'];
        yield 'an address' => ['http://10.0.0.1'];
        yield 'the Studio with a dot' => ['http://studio.test.'];
    }

    #[DataProvider('strangers')]
    public function test_a_host_that_is_not_ours_is_told_nothing(string $host): void
    {
        $funnel = $this->live();
        $this->onTwoHosts();
        foreach (['/', '/studio', "/{$funnel->address}", '/up'] as $path) {
            $this->get($host.$path)->assertStatus(421)->assertContent("There is nothing here.\n");
        }
    }

    public function test_no_address_in_an_answer_comes_from_the_request(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->onTwoHosts();
        $form = (string) DB::table('draft_parts')->where('kind', 'form')->value('id');
        $forged = ['X-Forwarded-Host' => 'evil.test', 'X-Forwarded-Proto' => 'https', 'Forwarded' => 'host=evil.test'];

        foreach (["/{$funnel->address}", "/e/{$form}.js"] as $path) {
            $answer = $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])->withHeaders($forged)->get(self::SITE.$path);
            self::assertStringNotContainsString('evil.test', $answer->assertOk()->getContent().$answer->headers);
        }
        self::assertStringContainsString(self::SITE."/e/{$form}", (string) $this->get(self::SITE."/e/{$form}.js")->getContent());
        $this->actingAs($owner);
        $this->getJson(self::STUDIO."/studio/api/funnels/{$funnel->id}")->assertJsonPath('url', self::SITE."/{$funnel->address}");
    }

    public function test_open_hands_the_owner_over_to_the_site_once(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->onTwoHosts();
        $this->get(self::STUDIO."/studio/open/{$funnel->id}")->assertRedirect(self::STUDIO.'/studio');
        $link = (string) $this->actingAs($owner)->get(self::STUDIO."/studio/open/{$funnel->id}/thank-you")->headers->get('Location');
        self::assertStringStartsWith(self::SITE.'/h?', $link);

        $this->get(str_replace('thank-you', 'other', $link))->assertNotFound()->assertCookieMissing('lantern_owner');
        $this->get($link.'&to[]=x')->assertNotFound();
        $this->get((string) preg_replace('/once=\w/', 'once=', $link))->assertNotFound();
        $this->withHeader('User-Agent', 'Another browser')->get($link)->assertNotFound()->assertCookieMissing('lantern_owner');
        $this->withHeader('User-Agent', self::CHROME);
        $cookie = $this->get($link)->assertRedirect("/{$funnel->address}/thank-you")->getCookie('lantern_owner', false);
        self::assertSame(CarbonImmutable::now()->addDays(30)->getTimestamp(), $cookie?->getExpiresTime());
        $this->get($link)->assertNotFound()->assertCookieMissing('lantern_owner');
        $open = fn (): string => (string) $this->get(self::STUDIO."/studio/open/{$funnel->id}")->headers->get('Location');
        $late = $open();
        $this->travel(61)->seconds();
        $this->get($late)->assertNotFound()->assertCookieMissing('lantern_owner');
        $this->get(HandOver::link(new SiteAddress(self::SITE, '', '/evil.test'), '', app('request'), CarbonImmutable::now()))
            ->assertNotFound();
    }

    public function test_own_code_runs_only_where_it_can_reach_nothing_of_the_studio(): void
    {
        $funnel = $this->draft();
        $this->entry($funnel)->forceFill(['settings' => ['head' => '<script>window.mine = 1</script>']])->save();
        app(Publishing::class)->publish($funnel, null);
        $one = $this->get("/{$funnel->address}")->assertOk()->assertDontSee('window.mine', false);
        self::assertStringNotContainsString('unsafe-eval', (string) $one->headers->get('Content-Security-Policy'));
        $this->onTwoHosts('http://localhost:8000', 'http://localhost:9000');
        $this->get("http://localhost/{$funnel->address}")->assertDontSee('window.mine', false);

        $this->onTwoHosts();
        $two = $this->get("/{$funnel->address}")->assertOk()->assertSee('window.mine', false);
        self::assertStringContainsString('unsafe-eval', (string) $two->headers->get('Content-Security-Policy'));
        self::assertStringContainsString("frame-ancestors 'self'", (string) $two->headers->get('Content-Security-Policy'));
    }

    public function test_every_answer_has_the_headers_of_its_kind(): void
    {
        $owner = $this->owner();
        $this->onTwoHosts('https://studio.test', 'https://pages.test');
        $this->actingAs($owner);
        $asked = 0;
        foreach (Route::getRoutes() as $route) {
            assert($route instanceof RouteOf);
            $isStudio = str_starts_with($route->uri(), 'studio');
            $path = (string) preg_replace('/\{\w+\??\}/', '01aaaaaaaaaaaaaaaaaaaaaaaa', $route->uri());
            $answer = $this->call($route->methods()[0], ($isStudio ? 'https://studio.test/' : 'https://pages.test/').ltrim($path, '/'));
            $headers = $answer->headers;
            self::assertSame('nosniff', $headers->get('X-Content-Type-Options'), $route->uri());
            self::assertSame('max-age=31536000', $headers->get('Strict-Transport-Security'), $route->uri());
            self::assertStringContainsString('frame-ancestors', (string) $headers->get('Content-Security-Policy'), $route->uri());
            self::assertNotNull($headers->get('Referrer-Policy'), $route->uri());
            self::assertStringContainsString('camera=()', (string) $headers->get('Permissions-Policy'), $route->uri());
            self::assertNull($headers->get('X-Powered-By'), $route->uri());
            if ($isStudio) {
                self::assertSame('no-store, private', $headers->get('Cache-Control'), $route->uri());
                self::assertStringNotContainsString("'unsafe-eval'", (string) $headers->get('Content-Security-Policy'), $route->uri());
            }
            $asked++;
        }
        self::assertGreaterThan(100, $asked);
    }

    public function test_a_file_is_not_kept_by_others(): void
    {
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $id = DB::table('submissions')->value('id');
        $page = (string) $this->withCookie('lantern_joined', (string) $id)->get("/{$funnel->address}/thank-you")->getContent();
        preg_match('~href="(/s/[^"]+)"~', $page, $m);
        $headers = $this->get(html_entity_decode($m[1]))->assertOk()->headers;

        self::assertSame('no-store, private', $headers->get('Cache-Control'));
        self::assertStringContainsString('sandbox', (string) $headers->get('Content-Security-Policy'));
    }
}
