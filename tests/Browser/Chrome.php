<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverDimension;
use RuntimeException;
use Symfony\Component\Process\Process;

/** One ChromeDriver for the whole run, and browsers from it: each with a profile of its own, so each a stranger. */
final class Chrome
{
    /** What every page runs first where `bin/test --at` has moved the clock: the same move, for all that asks for the date. */
    private const MOVED_CLOCK = <<<'JS'
        (() => {
            const Real = Date, now = () => Real.now() + MOVED;
            globalThis.Date = new Proxy(Real, {
                construct: (target, given, like) =>
                    Reflect.construct(target, given.length ? given : [now()], like === Date ? target : like),
                apply: () => new Real(now()).toString(),
                get: (target, name) => name === 'now' ? now : Reflect.get(target, name),
            });
        })();
        JS;

    private static ?Process $driver = null;

    private static int $port = 0;

    /** @var array<string, list<RemoteWebDriver>> browsers that wait to be used again, by how they were opened */
    private static array $idle = [];

    public static function open(int $width = 1280, int $height = 800, ?string $downloads = null): RemoteWebDriver
    {
        self::start();
        self::$idle["{$width}x{$height}"] ??= [];
        $idle = $downloads === null ? array_pop(self::$idle["{$width}x{$height}"]) : null;

        return $idle ?? self::fresh($width, $height, $downloads);
    }

    /** Makes a stranger of a browser again and keeps it for the next test; one that cannot be is closed. */
    public static function release(RemoteWebDriver $browser, int $width, int $height, ?string $downloads): void
    {
        try {
            $tools = new ChromeDevToolsDriver($browser);
            $site = (string) parse_url($browser->getCurrentURL(), PHP_URL_SCHEME) === 'http'
                ? preg_replace('~^(https?://[^/]+).*$~', '$1', $browser->getCurrentURL()) : null;
            foreach (array_slice($browser->getWindowHandles(), 1) as $other) {
                $browser->switchTo()->window($other)->close();
            }
            $browser->switchTo()->window($browser->getWindowHandles()[0]);
            // First: an answer that is still on its way would bring its cookie back.
            $browser->get('about:blank');
            $tools->execute('Network.clearBrowserCookies');
            $tools->execute('Network.clearBrowserCache');
            if (is_string($site)) {
                $tools->execute('Storage.clearDataForOrigin', ['origin' => $site, 'storageTypes' => 'all']);
            }
            $browser->manage()->getLog('browser');
        } catch (WebDriverException) {
            $downloads = 'cannot be used again';
        }
        $downloads === null ? self::$idle["{$width}x{$height}"][] = $browser : $browser->quit();
    }

    public static function quit(): void
    {
        foreach (array_merge([], ...array_values(self::$idle)) as $browser) {
            $browser->quit();
        }
        self::$idle = [];
        self::$driver?->stop(2);
    }

    private static function fresh(int $width, int $height, ?string $downloads): RemoteWebDriver
    {
        // Without a window of any kind it takes a quarter less work than the whole browser does.
        $options = (new ChromeOptions)->setBinary('/usr/lib/chromium/chromium-headless-shell')
            ->addArguments(['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run',
                '--disable-background-networking', '--disable-component-update', '--disable-sync', '--disable-dev-shm-usage',
                '--hide-scrollbars', '--force-prefers-reduced-motion',
                '--force-device-scale-factor=1',
                // As a visitor's browser says it; by its own name it would rightly be taken for a program.
                '--user-agent=Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36',
                "--window-size={$width},{$height}"]);

        if ($width < 500) {
            // A window cannot be that narrow; a phone can.
            $options->setExperimentalOption('mobileEmulation',
                ['deviceMetrics' => ['width' => $width, 'height' => $height, 'pixelRatio' => 1.0, 'mobile' => true, 'touch' => true]]);
        }
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);

        $browser = RemoteWebDriver::create('http://127.0.0.1:'.self::$port, $capabilities, 30_000, 60_000);
        if ($width >= 500) {
            // The frame of a window takes height even where it is not drawn; what is asked for is the page.
            $frame = $height - (int) $browser->executeScript('return window.innerHeight');
            $browser->manage()->window()->setSize(new WebDriverDimension($width, $height + $frame));
        }

        $moved = (int) round(microtime(true) * 1000) - (int) $browser->executeScript('return Date.now()');
        if (abs($moved) > 60_000) {
            (new ChromeDevToolsDriver($browser))->execute('Page.addScriptToEvaluateOnNewDocument',
                ['source' => str_replace('MOVED', (string) $moved, self::MOVED_CLOCK)]);
        }

        if ($downloads !== null) {
            (new ChromeDevToolsDriver($browser))
                ->execute('Browser.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $downloads]);
        }

        return $browser;
    }

    /** A port that is free now. */
    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No free port.');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    public static function waitForPort(int $port, Process $of): void
    {
        $until = microtime(true) + 20;
        while (@fsockopen('127.0.0.1', $port) === false) {
            if (! $of->isRunning() || microtime(true) > $until) {
                throw new RuntimeException('It did not start: '.$of->getCommandLine());
            }
            usleep(20_000);
        }
    }

    private static function start(): void
    {
        if (self::$driver?->isRunning()) {
            return;
        }
        self::$port = self::freePort();
        // A moved clock is told to pages by a script: with one of its own underneath, the browser never rests.
        self::$driver = new Process(['chromedriver', '--port='.self::$port, '--log-level=SEVERE'],
            env: ['LD_PRELOAD' => false, 'FAKETIME' => false], timeout: null);
        self::$driver->disableOutput()->start();
        self::waitForPort(self::$port, self::$driver);
        register_shutdown_function(self::quit(...));
    }
}
