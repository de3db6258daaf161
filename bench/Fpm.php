<?php

declare(strict_types=1);

namespace Bench;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Browser\Chrome;

/**
 * The same application behind nginx and php-fpm, as docs/running.md describes it, with settings and routes cached. Beside it stand an
 * empty route of the framework (`/bench/empty`) and a bare script that sends the bytes of a file (`/bench/bare?NAME`). Needs nginx,
 * php-fpm and wrk (Debian packages of these names).
 */
final class Fpm
{
    public readonly string $site;

    private readonly string $folder;

    /** @var list<Process> */
    private array $processes = [];

    /**
     * @param  array<string, string>  $env  of the application
     * @param  bool  $preload  are the classes of pages kept in memory by every process, as docs/running.md advises?
     */
    public function __construct(private readonly string $root, array $env, bool $preload)
    {
        $fpm = '/usr/sbin/php-fpm'.PHP_MAJOR_VERSION.'.'.PHP_MINOR_VERSION;
        foreach ([$fpm, '/usr/sbin/nginx', '/usr/bin/wrk'] as $program) {
            is_file($program) || throw new RuntimeException("This needs {$program}: apt install nginx php-fpm wrk.");
        }
        $port = Chrome::freePort();
        $this->site = "http://localhost:{$port}";
        $this->folder = sys_get_temp_dir().'/lantern-fpm-'.bin2hex(random_bytes(4));
        mkdir($this->folder.'/bytes', recursive: true);
        $env += ['APP_CONFIG_CACHE' => "{$this->folder}/config.php", 'APP_ROUTES_CACHE' => "{$this->folder}/routes.php",
            'APP_EVENTS_CACHE' => "{$this->folder}/events.php"];
        foreach (['config:cache', 'route:cache', 'event:cache'] as $cached) {
            (new Process([PHP_BINARY, 'artisan', $cached], $root, $env))->mustRun();
        }
        $this->write('empty.php', $this->emptyRoute());
        $this->write('bare.php', '<?php header("Content-Encoding: gzip"); header("Content-Type: text/html; charset=utf-8"); '
            .'readfile(__DIR__."/bytes/".basename($_SERVER["QUERY_STRING"]));');
        $this->write('fpm.conf', "[global]\nerror_log = {$this->folder}/fpm.log\ndaemonize = no\n[www]\nlisten = {$this->folder}/fpm.sock\n"
            ."user = root\ngroup = root\nlisten.mode = 0666\npm = static\npm.max_children = 4\naccess.log = {$this->folder}/access.log\n"
            ."access.format = \"%{REQUEST_URI}e %{kilobytes}M\"\nphp_admin_value[opcache.enable] = 1\n"
            ."php_admin_value[opcache.memory_consumption] = 192\nphp_admin_value[opcache.max_accelerated_files] = 20000\n"
            .implode("\n", array_map(fn (string $name, string $value): string => "env[{$name}] = \"{$value}\"", array_keys($env),
                $env))."\n");
        $this->write('nginx.conf', $this->nginx($port));
        $this->start([$fpm, '-F', '-R', ...($preload ? ['-d', "opcache.preload={$root}/bootstrap/preload.php", '-d',
            'opcache.preload_user=root'] : []), '-y', "{$this->folder}/fpm.conf"]);
        $this->start(['/usr/sbin/nginx', '-p', $this->folder, '-c', "{$this->folder}/nginx.conf", '-g', 'daemon off;']);
        Chrome::waitForPort($port, $this->processes[1]);
        for ($end = microtime(true) + 10; ! file_exists("{$this->folder}/fpm.sock"); usleep(20_000)) {
            microtime(true) < $end || throw new RuntimeException($this->processes[0]->getErrorOutput());
        }
        register_shutdown_function(function (): void {
            foreach ($this->processes as $process) {
                $process->stop(5);
            }
            (new Process(['rm', '-rf', $this->folder]))->run();
        });
    }

    /** Keeps what a page answers, packed, for the bare script to send: `/bench/bare?NAME`. */
    public function keep(string $name, string $path, string $cookie = ''): int
    {
        $curl = curl_init($this->site.$path);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip'],
            CURLOPT_COOKIE => $cookie, CURLOPT_USERAGENT => 'Mozilla/5.0 Chrome/140.0',
            CURLOPT_FAILONERROR => ! str_contains($name, 'not there')]);
        $bytes = curl_exec($curl);
        is_string($bytes) || throw new RuntimeException("{$path}: ".curl_error($curl));
        file_put_contents("{$this->folder}/bytes/".md5($name), $bytes);

        return strlen($bytes);
    }

    /** Each request is a view that its page reports, from another browser at another address. */
    private static function views(string $body): string
    {
        return 'math.randomseed(os.time()); wrk.method = "POST"; wrk.headers["Content-Type"] = "application/x-www-form-urlencoded"; '
            .'request = function() local n = math.random(0, 16777215); wrk.headers["X-Bench-From"] = string.format("11.%d.%d.%d", '
            .'math.floor(n / 65536), math.floor(n / 256) % 256, n % 256); return wrk.format(nil, nil, nil, string.format("'.$body
            .'&visitor=%026x%06x", os.time(), n)) end; ';
    }

    /**
     * Asks with four clients for some seconds.
     *
     * @param  string|null  $view  what a page reports of a view; null for asking for a page
     * @return array{rate: float, slow: float, failed: int} requests a second, milliseconds of the 95th percentile, and answers that were
     *     none
     */
    public function load(string $path, int $seconds, string $cookie = '', ?string $view = null): array
    {
        $script = "{$this->folder}/said.lua";
        file_put_contents($script, ($view === null ? '' : self::views($view))
            .'done = function(s, latency) io.write(string.format("\nSAID %f %f %d\n", '
            .'s.requests / (s.duration / 1e6), '
            .'latency:percentile(95) / 1000, s.errors.read + s.errors.connect + s.errors.timeout + '
            .(str_contains($path, 'nothing') ? '0' : 's.errors.status').')) end');
        $said = (new Process(['wrk', '-t2', '-c4', "-d{$seconds}s", '-s', $script, '-H', 'Accept-Encoding: gzip', '-H',
            'User-Agent: Mozilla/5.0 Chrome/140.0', ...($cookie === '' ? [] : ['-H', "Cookie: {$cookie}"]), $this->site.$path]))
            ->mustRun()->getOutput();
        preg_match('/SAID ([\d.]+) ([\d.]+) (\d+)/', $said, $m) === 1 || throw new RuntimeException($said);

        return ['rate' => (float) $m[1], 'slow' => (float) $m[2], 'failed' => (int) $m[3]];
    }

    /** @return int the most memory that a request for a path took, in kilobytes: the median of those that were asked for */
    public function memory(string $path): int
    {
        $found = [];
        foreach (file("{$this->folder}/access.log") ?: [] as $line) {
            if (str_starts_with($line, "{$path} ")) {
                $found[] = (int) substr($line, strlen($path) + 1);
            }
        }
        sort($found);

        return $found[intdiv(count($found), 2)] ?? 0;
    }

    /** @param  list<string>  $command */
    private function start(array $command): void
    {
        $process = new Process($command, $this->root, timeout: null);
        $process->start();
        $this->processes[] = $process;
    }

    private function write(string $name, string $content): void
    {
        file_put_contents("{$this->folder}/{$name}", $content);
    }

    private function emptyRoute(): string
    {
        return "<?php require '{$this->root}/vendor/autoload.php'; \$app = require '{$this->root}/bootstrap/app.php'; "
            .'$app->booted(fn () => $app["router"]->setRoutes(tap(new Illuminate\Routing\RouteCollection, fn ($all) => $all->add('
            .'(new Illuminate\Routing\Route(["GET"], "bench/empty", fn () => ""))->setRouter($app["router"])->setContainer($app))))); '
            .'$app->handleRequest(Illuminate\Http\Request::capture());';
    }

    private function nginx(int $port): string
    {
        $to = fn (string $script): string => "fastcgi_pass unix:{$this->folder}/fpm.sock; include /etc/nginx/fastcgi_params; "
            ."fastcgi_param SCRIPT_FILENAME {$script}; fastcgi_param SCRIPT_NAME /index.php; "
            .'fastcgi_param REMOTE_ADDR $bench_from;';

        return "user root;\nworker_processes 1;\npid {$this->folder}/nginx.pid;\nerror_log {$this->folder}/nginx.log;\n"
            ."events { worker_connections 512; }\nhttp {\n  access_log off;\n"
            .'  map $http_x_bench_from $bench_from { "" $remote_addr; default $http_x_bench_from; }'
            ."\n  server {\n    listen 127.0.0.1:{$port};\n"
            ."    server_name localhost;\n    root {$this->root}/public;\n"
            .'    location / { try_files $uri /index.php?$query_string; }'."\n"
            ."    location = /index.php { {$to("{$this->root}/public/index.php")} }\n"
            ."    location = /bench/empty { {$to("{$this->folder}/empty.php")} }\n"
            ."    location = /bench/bare { {$to("{$this->folder}/bare.php")} }\n  }\n}\n";
    }
}
