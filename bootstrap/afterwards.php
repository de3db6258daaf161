<?php

declare(strict_types=1);

use App\Serving\WrittenDown;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;

/*
 * Takes the views and sign-ups that were written down before the framework started, once their browsers have their answers. One process
 * at a time does it for a database, and none within a second of the last time: where many come, the framework starts once for all of
 * them. It never waits for that second to pass, since PHP's own server has others accepted behind this one, who would wait, too. What is
 * left behind so, or by a process that died, the next view takes, or the visitor's next step, or `lantern:due`.
 */
return static function (string $database): void {
    ignore_user_abort(true);
    function_exists('fastcgi_finish_request') ? fastcgi_finish_request() : flush();
    $root = dirname(__DIR__);
    $long = PHP_SAPI === 'cli-server' ? 200_000_000 : 60_000_000_000;
    $lock = @fopen("{$root}/storage/framework/front/written-{$database}.lock", 'c+');
    // Whoever wrote one down while the last were being taken found the lock taken: so it is looked once more when it is free again.
    for ($tries = 0; $tries < 3 && $lock !== false && flock($lock, LOCK_EX | LOCK_NB); $tries++) {
        rewind($lock);
        $since = microtime(true) - (float) (stream_get_contents($lock) ?: 0);
        if ($tries === 0 && $since >= 0 && $since < 1) {
            flock($lock, LOCK_UN);

            return;
        }
        require_once "{$root}/vendor/autoload.php";
        if (! isset($app)) {
            /** @var Application $app */
            $app = require "{$root}/bootstrap/app.php";
            $app->make(Kernel::class)->bootstrap();
        }
        try {
            $written = $app->make(WrittenDown::class);
            // Where others wait behind this process it takes but a few; the next one goes on.
            for ($end = hrtime(true) + $long; hrtime(true) < $end && $written->takeOldest() > 0;);
        } catch (Throwable $e) {
            report($e);
        }
        ftruncate($lock, 0);
        rewind($lock);
        fwrite($lock, (string) microtime(true));
        flock($lock, LOCK_UN);
        if (PHP_SAPI === 'cli-server' || $app->make(WrittenDown::class)->oldest() === null) {
            return;
        }
    }
};
