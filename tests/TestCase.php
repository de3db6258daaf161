<?php

declare(strict_types=1);

namespace Tests;

use App\Drafts\NewFunnel;
use App\Front\Front;
use App\Models\Business;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use App\Support\Ids;
use App\Support\Resolver;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as FrameworkTestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Facades\URL;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Plan\Goal;
use Tests\Drafts\Page;

/** What the tests of the application share: an owner, funnels, visitors, and a queue that is run on request. */
abstract class TestCase extends FrameworkTestCase
{
    use BothWays;
    use RefreshDatabase;

    /** @var list<string|null> */
    protected array $connectionsToTransact = [null, 'practice'];

    public const CHROME = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36';

    /**
     * @param  array<string, mixed>  $parameters
     * @param  array<string, mixed>  $cookies
     * @param  array<string, mixed>  $files
     * @param  array<string, mixed>  $server
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        // The front only looks: what the framework does with the same request comes after it.
        $front = in_array($method, ['GET', 'HEAD'], true) && $parameters === []
            ? $this->frontAnswer($method, (string) $uri, $cookies, array_replace($this->serverVariables, $server)) : null;
        $view = $method === 'POST' && in_array(parse_url((string) $uri, PHP_URL_PATH), ['/m/view', '/m/did'], true)
            ? $this->viewBefore((string) $uri, $cookies, array_replace($this->serverVariables, $server), $parameters) : null;
        $signup = $method === 'POST' && ! $this->followRedirects && isset($parameters['token'], $parameters['email'])
            ? $this->signupBefore((string) $uri, $cookies, array_replace($this->serverVariables, $server), $parameters) : null;
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        self::assertFalse(Front::$fault !== null && $response->getStatusCode() === 200, (string) Front::$fault);
        Front::$fault = null;
        if ($front !== null) {
            $this->assertSameAnswer($front, $response, "{$method} {$uri}");
        }
        if ($signup !== null) {
            $this->assertTakenAlike($signup[0], $signup[1], $response, "POST {$uri}");
        }
        if ($view !== null && $response->getStatusCode() === 204) {
            $this->viewsBefore++;
            self::assertSame(self::numbered((string) json_encode($view)), self::numbered((string) json_encode([204, self::counted()])),
                'a view is counted alike both ways');
        }

        return $response;
    }

    /**
     * When all tests begin, so that none depends on the day it is run: a Wednesday like any other, or what `bin/test --at` names.
     * The clock stands still until a test moves it.
     */
    public static function moment(): CarbonImmutable
    {
        return new CarbonImmutable(getenv('LANTERN_TEST_AT') ?: '2027-04-14 10:00', 'UTC');
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo(self::moment());
        Storage::fake('uploads');
        $this->withServerVariables(['HTTP_USER_AGENT' => self::CHROME]);
        // No test asks a network: every host is somewhere on the internet.
        $this->app->instance(Resolver::class, new class extends Resolver
        {
            public function addresses(string $host): array
            {
                return @inet_pton($host) !== false ? [$host] : ['11.22.33.44'];
            }
        });
    }

    protected function owner(string $email = 'imke@ferncroft.example'): User
    {
        $business = Business::query()
            ->create(['name' => 'Ferncroft Cello Room', 'sender_name' => 'Imke Farrow', 'sender_address' => 'imke@ferncroft.example',
                'postal_address' => "3 Ferncroft Yard\nExampleton", 'timezone' => 'Europe/Berlin', 'currency' => 'EUR']);

        return User::query()
            ->create(['business_id' => $business->id, 'name' => 'Imke Farrow', 'email' => $email, 'password' => 'long enough to hold']);
    }

    public static function pdf(string $words = 'practice'): string
    {
        return "%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\n% {$words}\ntrailer<</Root 1 0 R>>\n%%EOF\n";
    }

    /** The least that is a WebM file: its header, and one track of moving pictures without a length. */
    public static function webm(): string
    {
        $element = fn (string $id, string $body): string => hex2bin($id).chr(0x80 | strlen($body)).$body;
        $picture = $element('e0', $element('b0', "\x01\x40").$element('ba', "\xf0"));

        return $element('1a45dfa3', $element('4286', "\1").$element('42f7', "\1").$element('42f2', "\4").$element('42f3', "\10")
            .$element('4282', 'webm').$element('4287', "\2").$element('4285', "\2"))
            .$element('18538067', $element('1549a966', $element('2ad7b1', "\x0f\x42\x40"))
                .$element('1654ae6b', $element('ae', $element('d7', "\1").$element('73c5', "\1").$element('83', "\1")
                    .$element('86', 'V_VP8').$picture)).$element('1f43b675', $element('e7', "\0")));
    }

    protected function upload(User $owner, string $name = 'plan.pdf'): Upload
    {
        $id = Ids::next();
        Storage::disk('uploads')->put("files/{$id}", self::pdf());

        return Upload::query()
            ->create(['id' => $id, 'business_id' => $owner->business_id, 'kind' => 'file', 'name' => $name, 'mime' => 'application/pdf',
                'bytes' => strlen(self::pdf()), 'path' => "files/{$id}", 'sha256' => hash('sha256', self::pdf())]);
    }

    /** The Studio and the public pages on hosts of their own. Addresses without a host are the site's. */
    protected function onTwoHosts(string $studio = 'http://studio.test', string $site = 'http://pages.test'): void
    {
        config(['lantern.studio_url' => $studio, 'lantern.site_url' => $site]);
        URL::useOrigin($site);
    }

    protected function draft(?User $owner = null, string $title = 'The Twelve-Minute Practice Plan', bool $withFile = true): Funnel
    {
        $owner ??= $this->owner();

        return app(NewFunnel::class)
            ->fromStarter($owner->business, Goal::GiveAway, 'Practice plan', $title, $withFile ? $this->upload($owner) : null)->refresh();
    }

    protected function live(?User $owner = null): Funnel
    {
        $funnel = $this->draft($owner);
        app(Publishing::class)->publish($funnel, null);

        return $funnel->refresh();
    }

    protected function entry(Funnel $funnel): Page
    {
        return Page::query()->where('funnel_id', $funnel->id)->whereNull('removed')->orderBy('position')->firstOrFail();
    }

    /** The hidden fields of the form as a browser would send them, a few seconds after loading the page. */
    protected function form(Funnel $funnel): array
    {
        $html = (string) $this->get('/'.$funnel->address)->assertOk()->getContent();
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $m);
        $this->travel(5)->seconds();

        return array_combine($m[1], array_map(html_entity_decode(...), $m[2]));
    }

    /** @param  array<string, string>  $answers */
    protected function join(Funnel $funnel, array $answers): TestResponse
    {
        return $this->post('/'.$funnel->address, $answers + $this->form($funnel));
    }

    protected function runQueue(): void
    {
        if (DB::table('jobs')->where('available_at', '<=', now()->getTimestamp())->doesntExist()) {
            return;
        }
        // A worker ends itself when its process is large. This one is as large as all the tests that ran in it before.
        Artisan::call('queue:work', ['--queue' => 'default,outside', '--stop-when-empty' => true, '--sleep' => 0, '--quiet' => true,
            '--memory' => 4096]);
    }

    protected function message(string $to): Message
    {
        return Message::query()->where('to_address', $to)->sole();
    }

    protected function file(string $name, string $content): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'lantern');
        file_put_contents($path, $content);

        return new UploadedFile($path, $name, null, null, true);
    }
}
