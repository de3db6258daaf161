<?php

declare(strict_types=1);

namespace Tests\Browser;

use CurlHandle;
use DateTimeImmutable;
use DateTimeZone;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\UnknownErrorException;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PDO;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * The real application on a database of its own, driven through a real browser: web server, queue worker and all.
 * A test that fails leaves a picture and the page's console of each of its browsers in storage/test.
 */
abstract class BrowserTestCase extends TestCase
{
    /** What is pressed by its words. */
    protected const PRESSED = 'button, a, [role=radio], [role=menuitem], [role=option], [role=tab], label';

    private static ?Process $server = null;

    private static ?Process $worker = null;

    protected static string $folder;

    /** Where the Studio answers, and where public pages do: other hosts for a browser, one server. */
    protected static string $studio;

    protected static string $site;

    /** @var array<string, string> */
    private static array $env = [];

    /** @var list<RemoteWebDriver> */
    private array $browsers = [];

    /** @var list<array{int, int, string|null}> how they were opened */
    private array $opened = [];

    public static function setUpBeforeClass(): void
    {
        $root = dirname(__DIR__, 2);
        $port = Chrome::freePort();
        self::$folder = sys_get_temp_dir().'/lantern-browser-'.bin2hex(random_bytes(4));
        self::$studio = "http://localhost:{$port}";
        self::$site = "http://127.0.0.1:{$port}";
        mkdir(self::$folder.'/uploads', recursive: true);
        touch(self::$folder.'/db.sqlite');
        $env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=', 'APP_URL' => self::$studio,
            'STUDIO_URL' => self::$studio, 'SITE_URL' => self::$site,
            'DB_DATABASE' => self::$folder.'/db.sqlite',
            'UPLOADS_PATH' => self::$folder.'/uploads', 'CACHE_STORE' => 'file', 'CACHE_PATH' => self::$folder.'/cache',
            'SESSION_DRIVER' => 'database', 'QUEUE_CONNECTION' => 'database',
            'MAIL_MAILER' => 'outbox', 'LANTERN_DEMO' => 'false', 'LANTERN_LEAST_SECONDS' => '0', 'LANTERN_SIGN_INS_PER_MINUTE' => '100',
            'APP_CONFIG_CACHE' => self::$folder.'/config.php', 'APP_ROUTES_CACHE' => self::$folder.'/routes.php',
            'APP_EVENTS_CACHE' => self::$folder.'/events.php', 'PHP_CLI_SERVER_WORKERS' => '4', 'TRUSTED_PROXIES' => '127.0.0.1'];
        // Into files: a pipe that nobody reads fills up, and whoever writes to it waits.
        $logged = fn (string $file): array => ['sh', '-c', 'exec "$@" > "$0" 2>&1', self::$folder.'/'.$file];
        self::$env = $env;
        self::fromTemplate();
        self::artisan('config:cache', '--quiet');
        self::$server = new Process([...$logged('server.log'), 'setsid', PHP_BINARY, '-d', 'opcache.enable_cli=1', '-S',
            "127.0.0.1:{$port}", '-t', 'public', 'bin/router.php'], $root, $env, timeout: null);
        self::$server->start();
        self::$worker = new Process([...$logged('worker.log'), PHP_BINARY, 'artisan', 'queue:work', '--queue=default,outside',
            '--sleep=0.2'], $root, $env, timeout: null);
        self::$worker->start();
        Chrome::waitForPort($port, self::$server);
    }

    /**
     * An empty database and the routes are the same for all of these classes: made once and copied, until a migration or a route changes.
     * Whoever comes first makes them, the others wait for it.
     */
    private static function fromTemplate(): void
    {
        $root = dirname(__DIR__, 2);
        $made = [...glob("{$root}/database/migrations/*.php") ?: [], ...glob("{$root}/routes/*.php") ?: [], "{$root}/composer.json",
            "{$root}/bootstrap/app.php", "{$root}/app/Providers/AppServiceProvider.php"];
        $template = sys_get_temp_dir().'/lantern-browser-template-'.hash('xxh128', implode(' ', array_map(
            fn (string $file): string => $file.filemtime($file), $made)));
        $lock = fopen("{$template}.lock", 'c') ?: throw new RuntimeException('There is no writing into '.sys_get_temp_dir());
        flock($lock, LOCK_EX);
        if (! is_file("{$template}/whole")) {
            (new Process(['rm', '-rf', $template]))->mustRun();
            mkdir($template);
            self::artisan('migrate', '--force', '--quiet');
            self::artisan('route:cache', '--quiet');
            self::artisan('event:cache', '--quiet');
            foreach (['db.sqlite', 'db-practice.sqlite'] as $file) {
                // Whole, with what stands in the log that is written ahead.
                (new PDO('sqlite:'.self::$folder."/{$file}"))->exec("vacuum into '{$template}/{$file}'");
            }
            foreach (['routes.php', 'events.php'] as $file) {
                copy(self::$folder."/{$file}", "{$template}/{$file}");
            }
            touch("{$template}/whole");
        }
        fclose($lock);
        (new Process(['sh', '-c', 'rm -f db*.sqlite*; cp "$0"/*.sqlite "$0"/*.php .', $template], self::$folder))->mustRun();
    }

    public static function tearDownAfterClass(): void
    {
        self::$worker?->stop(5);
        // The server's own workers are in its process group; they must end with it.
        posix_kill(-(int) self::$server?->getPid(), SIGTERM);
        self::$server?->stop(5);
        (new Process(['rm', '-rf', self::$folder]))->run();
        @unlink(dirname(__DIR__, 2).'/storage/framework/front/written-'.substr(hash('xxh128', self::$folder.'/db.sqlite'), 0, 12).'.lock');
    }

    protected function tearDown(): void
    {
        foreach ($this->browsers as $i => $browser) {
            Chrome::release($browser, ...$this->opened[$i]);
        }
        $this->browsers = $this->opened = [];
    }

    /** Runs before the browsers are closed. */
    protected function assertPostConditions(): void
    {
        foreach ($this->browsers as $browser) {
            $severe = array_filter($browser->manage()->getLog('browser'),
                fn (array $line): bool => $line['level'] === 'SEVERE' && ! $this->isExpected($line['message']));
            self::assertSame([], array_values(array_map(fn (array $line): string => $line['message'], $severe)), 'the console is quiet');
        }
    }

    /** An answer that says no is written to the console by the browser itself. */
    private function isExpected(string $message): bool
    {
        return preg_match('/status of (401|403|404|409|410|422|429)/', $message) === 1;
    }

    protected function browser(int $width = 1280, int $height = 800, ?string $downloads = null): RemoteWebDriver
    {
        $this->opened[] = [$width, $height, $downloads];

        return $this->browsers[] = Chrome::open($width, $height, $downloads);
    }

    /** Keeps a picture, what went wrong and the console when the given steps fail. */
    protected function steps(callable $steps): void
    {
        try {
            $steps();
        } catch (Throwable $e) {
            $folder = dirname(__DIR__, 2).'/storage/test';
            @mkdir($folder);
            foreach ($this->browsers as $i => $browser) {
                $name = "{$folder}/{$this->name()}-{$i}";
                $browser->takeScreenshot("{$name}.png");
                file_put_contents("{$name}.txt", $e->getMessage()."\n".$browser->getCurrentURL()."\n"
                    .implode("\n", array_column($browser->manage()->getLog('browser'), 'message')));
                fwrite(STDERR, "\nWhat the browser showed: {$name}.png\n");
            }
            throw $e;
        }
    }

    protected function waitFor(RemoteWebDriver $b, callable $condition, string $what): mixed
    {
        return $b->wait(15, 100)->until(function (RemoteWebDriver $b) use ($condition): mixed {
            try {
                return $condition($b);
            } catch (StaleElementReferenceException) {
                return false;
            } catch (UnknownErrorException $e) {
                // What the driver calls an element that went with its page while it was asked for.
                return str_contains($e->getMessage(), 'does not belong to the document') ? false : throw $e;
            }
        }, "It never came to that: {$what}");
    }

    protected function find(RemoteWebDriver $b, string $css): RemoteWebElement
    {
        return $this->waitFor($b, function (RemoteWebDriver $b) use ($css) {
            $shown = array_filter($b->findElements(WebDriverBy::cssSelector($css)), fn (RemoteWebElement $e): bool => $e->isDisplayed());

            return reset($shown);
        }, $css);
    }

    /** The element a script finds, if it finds one. */
    private function byScript(RemoteWebDriver $b, string $script, string ...$arguments): RemoteWebElement|false
    {
        $found = $b->executeScript($script, $arguments);

        return is_array($found) ? new RemoteWebElement(new RemoteExecuteMethod($b), (string) reset($found), true) : false;
    }

    /** A moment as the database writes it, by the clock of this process: SQLite's own is no one's to move. */
    protected static function fromNow(string $after): string
    {
        return (new DateTimeImmutable($after, new DateTimeZone('UTC')))->format('Y-m-d H:i:s.v');
    }

    /** A button, link or tab by its words. */
    protected function byWords(
        RemoteWebDriver $b,
        string $words,
        string $of = self::PRESSED,
    ): RemoteWebElement {
        return $this->waitFor($b, fn (RemoteWebDriver $b) => $this->oneByWords($b, $words, $of), "“{$words}”");
    }

    /** Finds it and clicks it as one step: what is drawn anew in between is looked for again. */
    protected function press(RemoteWebDriver $b, string $words, string $of = self::PRESSED): void
    {
        $this->waitFor($b, function (RemoteWebDriver $b) use ($words, $of): bool {
            $found = $this->oneByWords($b, $words, $of);
            if ($found === false) {
                return false;
            }
            // As a person does who sees half of it below a heading that stays.
            $b->executeScript('arguments[0].scrollIntoView({ block: "nearest", behavior: "instant" })', [$found]);

            return $found->click() !== null;
        }, "“{$words}”");
    }

    private function oneByWords(RemoteWebDriver $b, string $words, string $of): RemoteWebElement|false
    {
        return $this->byScript($b,
            'const [css, words] = arguments; const said = e => e.getAttribute("aria-label") ?? e.innerText.trim();
                const found = [...(document.querySelector("[role=dialog]") ?? document).querySelectorAll(css)].filter(e => e.offsetParent
                    !== null && !e.disabled && said(e).startsWith(words));
                return found.find(e => said(e) === words) ?? found[0] ?? null', $of, $words);
    }

    protected function field(RemoteWebDriver $b, string $label): RemoteWebElement
    {
        return $this->waitFor($b, fn (RemoteWebDriver $b) => $this->byScript($b,
            'const l = [...(document.querySelector("[role=dialog]") ?? document).querySelectorAll("label")].find(l => '
                .'l.innerText.trim().startsWith(arguments[0]) && l.htmlFor);
            return l ? document.getElementById(l.htmlFor) : document.querySelector(`[role=textbox][aria-label^="${arguments[0]}"]`)',
            $label), "a field called “{$label}”");
    }

    /** By the menu above the timeline. */
    protected function addToFunnel(RemoteWebDriver $b, string $what): void
    {
        $this->press($b, 'Add to the funnel');
        $this->press($b, $what, '[role=menuitem]');
    }

    /** Chooses an option of a list by the list's label. */
    protected function choose(RemoteWebDriver $b, string $label, string $option): void
    {
        $this->waitFor($b, fn (RemoteWebDriver $b) => $this->byScript($b,
            'const label = [...document.querySelectorAll("[id*=listbox-label]")].find(l => l.innerText.trim() === arguments[0]);
            return label ? document.querySelector(`[aria-labelledby~="${label.id}"][aria-haspopup]`) : null', $label),
            "a list called “{$label}”")->click();
        $this->byWords($b, $option, '[role=option]')->click();
    }

    protected function fill(RemoteWebDriver $b, string $label, string $value): void
    {
        $this->retype($this->field($b, $label), $value);
    }

    /**
     * Types over what is there, as a person does. The driver's own clear() tells the page of nothing, which may then write the old words
     * back.
     */
    protected function retype(RemoteWebElement $field, string $value): void
    {
        $field->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, WebDriverKeys::BACKSPACE]);
        $field->sendKeys($value);
    }

    protected function seeText(RemoteWebDriver $b, string $words): void
    {
        $this->waitFor($b, fn (RemoteWebDriver $b): bool => str_contains((string) $b->executeScript('return document.body.innerText'),
            $words), "the page says “{$words}”");
    }

    protected function sql(string $query): mixed
    {
        return (new PDO('sqlite:'.self::$folder.'/db.sqlite', options: [PDO::ATTR_TIMEOUT => 10]))->query($query)->fetchColumn();
    }

    protected static function artisan(string ...$arguments): string
    {
        return (new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__, 2), self::$env))->mustRun()->getOutput();
    }

    /** Makes the owner if there is none, and signs in. Typing it is what a test of its own does. */
    protected function signIn(RemoteWebDriver $b): void
    {
        $b->get(self::$studio.'/studio');
        $this->find($b, 'button[type=submit]');
        $b->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1];
            const token = () => decodeURIComponent(document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/)[1]);
            const call = (method, path, body) => fetch(`/studio/api/${path}`, { method, credentials: 'same-origin',
                body: body && JSON.stringify(body),
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-Requested-With': 'XMLHttpRequest',
                    'X-XSRF-TOKEN': token() } });
            (async () => {
                const owner = { email: 'imke@ferncroft.example', password: 'twelve minutes a day' };
                const { firstRun } = await (await call('GET', 'session')).json();
                const answer = await (firstRun ? call('POST', 'setup', { ...owner, name: 'Imke Farrow',
                    businessName: 'Ferncroft Cello Room', senderName: 'Imke Farrow',
                    senderAddress: 'imke@ferncroft.example', postalAddress: '3 Ferncroft Yard, Exampleton',
                        timezone: Intl.DateTimeFormat().resolvedOptions().timeZone, currency: 'EUR' })
                    : call('POST', 'session', owner));
                done(answer.status);
            })();
            JS);
        $b->get(self::$studio.'/studio');
        $this->byWords($b, 'Your account');
    }

    /** Publishes a funnel as the signed-in owner, without the dialog. */
    protected function publishAtOnce(RemoteWebDriver $b, string $funnel): void
    {
        self::assertArrayHasKey('version', $this->askApi($b, 'POST', "funnels/{$funnel}/publish"));
    }

    /** Gives every offer of a funnel the same price, in cents. */
    protected function priceOffers(RemoteWebDriver $b, string $funnel, int $cents = 19_000): void
    {
        foreach ($this->askApi($b, 'GET', "funnels/{$funnel}")['offers'] as $offer) {
            $this->askApi($b, 'PUT', "parts/{$offer['id']}", ['revision' => $offer['revision'],
                'price' => ['kind' => 'once', 'amount' => $cents, 'currency' => 'EUR']]);
        }
    }

    /** Makes a funnel as the signed-in owner and opens it. Making one on the screen is what tests of their own do. */
    protected function makeFunnel(RemoteWebDriver $b, string $name, string $title = 'First Season', string $goal = 'waiting-list'): string
    {
        $id = (string) $this->askApi($b, 'POST', 'funnels', ['goal' => $goal, 'name' => $name, 'title' => $title])['id'];
        $b->get(self::$studio."/studio/funnels/{$id}");
        $this->byWords($b, 'Publish version 1');

        return $id;
    }

    /**
     * Asks the Studio's API from the page that is open.
     *
     * @param  array<string, mixed>|null  $body
     * @return array<string, mixed>
     */
    protected function askApi(RemoteWebDriver $b, string $method, string $path, ?array $body = null): array
    {
        $b->manage()->timeouts()->setScriptTimeout(20);
        $answer = $b->executeAsyncScript(<<<'JS'
            const [method, path, body, done] = arguments;
            const token = decodeURIComponent(document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/)[1]);
            const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
            fetch(`/studio/api/${path}`, { method, headers, body: body && JSON.stringify(body) })
                .then(async r => done({ ok: r.ok, body: await r.text() }), e => done({ ok: false, body: String(e) }));
            JS, [$method, $path, $body]);
        self::assertTrue($answer['ok'], "{$method} {$path}: {$answer['body']}");

        return (array) json_decode($answer['body'], true);
    }

    /**
     * A request that is not sent yet, from an address of its own where one is named.
     *
     * @param  array<string, string>|null  $post
     */
    protected function request(string $path, ?array $post = null, string $from = ''): CurlHandle
    {
        $curl = curl_init(self::$site.$path);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_USERAGENT => 'Mozilla/5.0 Chrome/140.0', CURLOPT_TIMEOUT => 30]);
        if ($from !== '') {
            curl_setopt($curl, CURLOPT_HTTPHEADER, ["X-Forwarded-For: {$from}"]);
        }
        if ($post !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, http_build_query($post));
        }

        return $curl;
    }

    /**
     * @param  list<CurlHandle>  $requests
     * @return list<int> the answers' states
     */
    protected function atOnce(array $requests): array
    {
        $multi = curl_multi_init();
        foreach ($requests as $request) {
            curl_multi_add_handle($multi, $request);
        }
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(fn (CurlHandle $c): int => (int) curl_getinfo($c, CURLINFO_RESPONSE_CODE), $requests);
    }

    protected function pdf(): string
    {
        $path = self::$folder.'/My own plan.pdf';
        copy(dirname(__DIR__, 2).'/database/demo/media/practice-plan.pdf', $path);

        return $path;
    }
}
