<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use CurlHandle;
use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Browser\Chrome;

/** Pages answered before the framework by a real server on a real database file: under load, and with faults beneath it. */
final class FrontServerTest extends TestCase
{
    private const LOOKS = 1000;

    private const PUBLISHED = 50;

    /** Says what the front answers, and what it has loaded for it. */
    private const LOOK = '$answer = (require "bootstrap/front.php")(); echo json_encode([$answer?->status, strlen($answer?->body ?? ""), '
        .'count(get_included_files()), array_values(array_filter([...get_declared_classes(), ...get_declared_interfaces()], '
        .'fn (string $c): bool => preg_match("/^(Illuminate|Symfony|Carbon|Composer)/", $c) === 1))]);';

    private static string $folder;

    private static string $address;

    private static string $url;

    private static Process $server;

    /** @var array<string, string> */
    private static array $env;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/lantern-front-'.bin2hex(random_bytes(4));
        mkdir(self::$folder);
        touch(self::$folder.'/db.sqlite');
        $port = Chrome::freePort();
        self::$url = "http://127.0.0.1:{$port}";
        self::$env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=', 'APP_URL' => self::$url,
            'STUDIO_URL' => "http://localhost:{$port}", 'SITE_URL' => self::$url, 'DB_DATABASE' => self::$folder.'/db.sqlite',
            'CACHE_STORE' => 'file', 'CACHE_PATH' => self::$folder, 'UPLOADS_PATH' => self::$folder, 'PHP_CLI_SERVER_WORKERS' => '4',
            'LANTERN_SIGNUPS_PER_ADDRESS' => '1000', 'LANTERN_LEAST_SECONDS' => '0'];
        self::process([PHP_BINARY, 'artisan', 'migrate', '--force', '--quiet'])->mustRun();
        self::$address = self::process([PHP_BINARY, 'tests/fixtures/front.php', 'make'])->mustRun()->getOutput();
        self::$server = self::process(['sh', '-c', 'exec "$@" > "$0" 2>&1', self::$folder.'/server.log', 'setsid', PHP_BINARY, '-d',
            'opcache.enable_cli=1', '-S', "127.0.0.1:{$port}", '-t', 'public', 'bin/router.php']);
        self::$server->start();
        Chrome::waitForPort($port, self::$server);
        // The first look is the framework's, which writes down what the next ones need.
        self::assertStringContainsString('Edition 0 begins', self::body());
    }

    public static function tearDownAfterClass(): void
    {
        posix_kill(-(int) self::$server->getPid(), SIGTERM);
        self::$server->stop(5);
        self::process(['rm', '-rf', self::$folder])->run();
        @unlink(self::settings());
        @unlink(dirname(__DIR__, 3).'/storage/framework/front/written-'.substr(hash('xxh128', self::$folder.'/db.sqlite'), 0, 12).'.lock');
    }

    /** @param  list<string>  $command */
    private static function process(array $command): Process
    {
        return new Process($command, dirname(__DIR__, 3), self::$env, timeout: 120);
    }

    private static function body(): string
    {
        return (string) file_get_contents(self::$url.'/'.self::$address);
    }

    /** The file in which the settings of this server are written down. */
    private static function settings(): string
    {
        return self::process([PHP_BINARY, '-r',
            'require "app/Front/FrontSettings.php"; echo App\Front\FrontSettings::file(getcwd());'])->mustRun()->getOutput();
    }

    /** @return array{int|null, int, int, list<string>} status, length, how many files were loaded, and what of others' classes */
    private static function look(): array
    {
        $server = ['REQUEST_METHOD' => 'GET', 'REQUEST_URI' => '/'.self::$address, 'QUERY_STRING' => '', 'SCRIPT_NAME' => '/index.php',
            'HTTP_HOST' => substr(self::$url, 7), 'REMOTE_ADDR' => '203.0.113.9'];
        $said = self::process([PHP_BINARY, '-r', '$_SERVER = '.var_export($server, true).' + $_SERVER; '.self::LOOK])->mustRun();

        return json_decode($said->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    public function test_nothing_of_the_framework_is_loaded(): void
    {
        [$status, $length, $files, $foreign] = self::look();
        self::assertSame([200, []], [$status, $foreign]);
        self::assertGreaterThan(2000, $length);
        self::assertLessThan(80, $files);
    }

    public function test_what_is_missing_half_or_in_the_way_is_the_framework_s_to_answer_and_comes_back_by_itself(): void
    {
        $file = self::settings();
        $whole = (string) file_get_contents($file);
        self::assertSame(0600, fileperms($file) & 0777, 'the key is in it');
        foreach ([substr($whole, 0, 60), '<?php return [', "<?php return ['whole' => false];", '<?php return 1;', ''] as $harm) {
            file_put_contents($file, $harm);
            self::assertNull(self::look()[0], $harm);
        }
        unlink($file);
        self::assertNull(self::look()[0]);
        self::assertStringContainsString('begins', self::body());
        self::assertSame([200, $whole], [self::look()[0], (string) file_get_contents($file)], 'the look before wrote it down again');

        // A long write holds nobody up who reads.
        $writer = new PDO('sqlite:'.self::$folder.'/db.sqlite');
        $writer->exec('begin immediate');
        $writer->exec("update funnels set name = 'Renamed'");
        self::assertSame(200, self::look()[0]);
        $writer->exec('rollback');
        rename(self::$folder.'/db.sqlite', self::$folder.'/away');
        self::assertNull(self::look()[0]);
        rename(self::$folder.'/away', self::$folder.'/db.sqlite');
        self::assertSame(200, self::look()[0]);
    }

    public function test_while_it_is_published_again_and_again_every_look_shows_one_version_whole(): void
    {
        $publishing = self::process([PHP_BINARY, 'tests/fixtures/front.php', 'publish', (string) self::PUBLISHED]);
        $publishing->start();
        $seen = [];
        for ($looks = 0; $looks < self::LOOKS || $publishing->isRunning(); $looks += 8) {
            foreach ($this->eightAtOnce() as [$status, $html]) {
                self::assertSame(200, $status);
                self::assertSame(1, preg_match('/<h1[^>]*>Edition (\d+) begins/', $html, $begins));
                self::assertSame(1, preg_match('/Edition (\d+) ends/', $html, $ends), substr($html, -300));
                self::assertSame($begins[1], $ends[1], 'never of two versions');
                $seen[(int) $begins[1]] = true;
            }
        }
        self::assertSame(0, $publishing->wait(), $publishing->getErrorOutput());
        self::assertGreaterThan(5, count($seen), 'it was looked at while it was published');
        self::assertStringContainsString('Edition '.self::PUBLISHED.' begins', self::body());
        for ($i = 0; $i < 4; $i++) {
            $killed = self::process([PHP_BINARY, 'tests/fixtures/front.php', 'publish', '1000']);
            $killed->start();
            $this->until(fn (): bool => ! str_contains(self::body(), 'Edition '.self::PUBLISHED.' begins') || $i > 0);
            $killed->signal(SIGKILL);
            $killed->wait();
            self::assertSame(1, preg_match('/Edition (\d+) begins.*Edition \1 ends/s', self::body()), 'old or new, never neither');
        }
    }

    public function test_a_hundred_views_at_once_wait_for_a_long_write_and_are_counted_once_each(): void
    {
        $writer = new PDO('sqlite:'.self::$folder.'/db.sqlite');
        [$funnel, $page] = $writer->query('select f.id, p.page_id from funnels f join published_pages p '
            ."on p.version_id = f.live_version_id and p.address = ''")->fetch(PDO::FETCH_NUM);
        $writer->exec('begin immediate');
        $multi = curl_multi_init();
        $views = array_map(function (int $n) use ($multi, $funnel, $page): CurlHandle {
            $curl = curl_init(self::$url.'/m/view');
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 30, CURLOPT_USERAGENT => \Tests\TestCase::CHROME,
                CURLOPT_POSTFIELDS => http_build_query(['funnel' => $funnel, 'page' => $page, 'visitor' => md5("view {$n}"),
                    'source' => '', 'from' => ''])]);
            curl_multi_add_handle($multi, $curl);

            return $curl;
        }, range(1, 100));
        $ends = microtime(true) + 1;
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
            if ($ends !== null && microtime(true) > $ends) {
                $writer->exec('rollback');
                $ends = null;
            }
        } while ($running > 0);
        self::assertSame([204 => 100], array_count_values(array_map(fn (CurlHandle $c): int => (int) curl_getinfo($c,
            CURLINFO_RESPONSE_CODE), $views)));
        // Most are counted by those who came after them, without a scheduler; what the last left behind, it counts.
        $count = fn (string $sql): int => (int) $writer->query($sql)->fetchColumn();
        $this->until(fn (): bool => $count('select count(*) from seen_views where counted = 1') > 0);
        self::process([PHP_BINARY, 'artisan', 'lantern:due'])->mustRun();
        $this->until(fn (): bool => $count('select count(*) from seen_views where counted = 0') === 0);
        self::assertSame([100, 100], [$count("select count(*) from events where type = 'viewed'"),
            $count("select count(distinct visitor) from events where type = 'viewed'")]);
    }

    public function test_a_hundred_sign_ups_at_once_wait_for_a_long_write_and_are_taken_in_once_each_whoever_dies_over_it(): void
    {
        $database = new PDO('sqlite:'.self::$folder.'/db.sqlite');
        $count = fn (string $sql): int => (int) $database->query($sql)->fetchColumn();
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', self::body(), $m);
        $hidden = array_combine($m[1], array_map(html_entity_decode(...), $m[2]));
        $database->exec('begin immediate');
        $multi = curl_multi_init();
        $sent = [];
        // Each is sent twice, as by a finger that trembles.
        foreach ([...range(1, 100), ...range(1, 100)] as $n) {
            $sent[] = $curl = curl_init(self::$url.'/'.self::$address);
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60, CURLOPT_USERAGENT => \Tests\TestCase::CHROME,
                CURLOPT_POSTFIELDS => http_build_query(['email' => "load{$n}@example.com", 'visitor' => md5("load {$n}"),
                    'consent' => 'yes'] + $hidden)]);
            curl_multi_add_handle($multi, $curl);
        }
        $ends = microtime(true) + 1;
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
            if ($ends !== null && microtime(true) > $ends) {
                $database->exec('rollback');
                $ends = null;
            }
        } while ($running > 0);
        self::assertSame([303 => 200], array_count_values(array_map(fn (CurlHandle $c): int => (int) curl_getinfo($c,
            CURLINFO_RESPONSE_CODE), $sent)));
        for ($kills = 0; $kills < 5 && $count('select count(*) from received_signups') > 0; $kills++) {
            $before = $count('select count(*) from people');
            $due = self::process([PHP_BINARY, 'artisan', 'lantern:due']);
            $due->start();
            $this->until(fn (): bool => $count('select count(*) from people') > $before || ! $due->isRunning());
            $due->signal(SIGKILL);
            $due->wait();
        }
        self::assertGreaterThan(1, $kills, 'some died in the middle of it');
        $this->until(function () use ($count): bool {
            self::process([PHP_BINARY, 'artisan', 'lantern:due'])->mustRun();

            return $count('select count(*) from received_signups') === 0;
        });
        self::assertSame([100, 100, 100, 100], array_map($count, ['select count(*) from people', 'select count(*) from submissions',
            "select count(distinct person_id) from events where type = 'joined'",
            "select count(*) from events where type = 'joined'"]));
        self::assertSame(100, $count("select count(distinct person_id) from messages where kind = 'sequence'"));
    }

    /** @param  callable(): bool  $condition */
    private function until(callable $condition): void
    {
        for ($end = microtime(true) + 20; ! $condition(); usleep(5000)) {
            self::assertLessThan($end, microtime(true), 'it never came to that');
        }
    }

    /** @return list<array{int, string}> states and bodies */
    private function eightAtOnce(): array
    {
        $multi = curl_multi_init();
        $requests = array_map(function () use ($multi): CurlHandle {
            $curl = curl_init(self::$url.'/'.self::$address);
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_ENCODING => 'gzip', CURLOPT_TIMEOUT => 20]);
            curl_multi_add_handle($multi, $curl);

            return $curl;
        }, range(1, 8));
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(fn (CurlHandle $c): array => [(int) curl_getinfo($c, CURLINFO_RESPONSE_CODE), (string) curl_multi_getcontent($c)],
            $requests);
    }
}
