<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Business;
use App\Results\Counts;
use App\Support\DemoProgress;
use App\Warmth\Scores;
use App\Warmth\WarmDays;
use Carbon\CarbonImmutable;
use Database\Seeders\DemoSeeder;
use FilesystemIterator;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * Loads the demo whole or not at all: into a folder beside the one it belongs into, which then takes that one's name. What a load that
 * was broken off has left behind is in nobody's way.
 */
final class LoadDemo extends Command
{
    /** Nobody else reads what is being loaded, and nothing of it is missed if the power fails: so nothing waits for the disk. */
    private const BULK = ['journal_mode = memory', 'synchronous = off', 'locking_mode = exclusive', 'cache_size = -65536',
        'temp_store = memory'];

    protected $signature = 'lantern:demo {folder : where database and uploads of the demo belong} {--fresh : load it anew}';

    protected $description = 'Load the demo data into a folder of its own';

    public function handle(): int
    {
        $folder = $this->argument('folder');
        $folder = rtrim(is_string($folder) ? $folder : '', '/');
        if (! $this->option('fresh') && self::isLoaded($folder)) {
            return self::SUCCESS;
        }
        $loading = "{$folder}.loading";
        File::deleteDirectory($loading);
        $mask = umask(077);
        File::ensureDirectoryExists($loading, 0700);
        touch("{$loading}/lantern.sqlite");
        umask($mask);
        $this->useFilesIn($loading);
        $progress = new DemoProgress(fn (string $line) => $this->say($line), microtime(true));
        $this->laravel->instance(DemoProgress::class, $progress);
        $progress->at('an empty database');
        $this->callSilently('migrate', ['--force' => true]);
        // So much happens at once that it is counted at the end.
        $this->laravel->make(Counts::class)->afterwards(fn () => $this->laravel->make(WarmDays::class)->afterwards(
            fn () => $this->laravel->make(DemoSeeder::class)->run()));
        $scores = $this->laravel->make(Scores::class);
        Business::query()->get()->each(fn (Business $business) => $scores->refresh($business, CarbonImmutable::now()));
        $progress->at('what the database knows of itself');
        $this->finish();
        file_put_contents("{$loading}/loaded", date('c')."\n");
        self::replace($folder, $loading);
        $progress->done();

        return self::SUCCESS;
    }

    private static function isLoaded(string $folder): bool
    {
        return is_file("{$folder}/loaded") && is_file("{$folder}/lantern.sqlite");
    }

    private function useFilesIn(string $folder): void
    {
        config(['database.default' => 'sqlite', 'database.connections.sqlite.database' => "{$folder}/lantern.sqlite",
            'database.connections.practice.database' => "{$folder}/lantern-practice.sqlite",
            'filesystems.disks.uploads.root' => "{$folder}/uploads", 'lantern.demo' => true]);
        Storage::forgetDisk('uploads');
        foreach (['sqlite', 'practice'] as $connection) {
            config(["database.connections.{$connection}.journal_mode" => null, "database.connections.{$connection}.synchronous" => null]);
            DB::purge($connection);
            foreach (self::BULK as $pragma) {
                DB::connection($connection)->statement("pragma {$pragma}");
            }
        }
    }

    /** From here on the files are as any other installation's. */
    private function finish(): void
    {
        foreach (['sqlite', 'practice'] as $name) {
            $connection = DB::connection($name);
            $connection->statement('analyze');
            $connection->statement('pragma journal_mode = delete');
            // Whoever opens it next has none of this; closing brings all of it to the disk.
            DB::purge($name);
            DB::connection($name)->statement('pragma synchronous = full');
            DB::connection($name)->statement('pragma journal_mode = wal');
            DB::purge($name);
        }
    }

    /** Two renames; what stood there is put away afterwards. */
    private static function replace(string $folder, string $loading): void
    {
        $before = "{$folder}.before";
        File::deleteDirectory($before);
        $stood = is_dir($folder) && (new FilesystemIterator($folder))->valid();
        if ($stood ? ! rename($folder, $before) : is_dir($folder) && ! rmdir($folder)) {
            throw new RuntimeException("What is in {$folder} cannot be moved away.");
        }
        if (! rename($loading, $folder)) {
            throw new RuntimeException("The demo is loaded, and cannot be moved to {$folder}.");
        }
        File::deleteDirectory($before);
    }

    /** One line that changes in a terminal; a line for each stage where the output goes elsewhere. */
    private function say(string $line): void
    {
        $this->output->write($line);
    }
}
