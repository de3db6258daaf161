<?php

declare(strict_types=1);

namespace Tests\Feature\Release;

use Illuminate\Support\Facades\File;
use PDO;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The demo is loaded whole or not at all, whatever becomes of the process that loads it. */
final class LoadDemoTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/lantern-demo-'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        foreach (['', '.loading', '.before'] as $end) {
            File::deleteDirectory($this->folder.$end);
        }
        parent::tearDown();
    }

    public function test_a_load_that_is_killed_leaves_what_was_there_and_the_next_one_is_whole(): void
    {
        mkdir($this->folder);
        file_put_contents($this->folder.'/loaded', 'before');
        file_put_contents($this->folder.'/lantern.sqlite', 'what was there');
        $killed = $this->load('--fresh');
        $killed->start();
        // In the middle of it: some people have joined.
        $killed->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'Practice plan, 50 %'));
        $killed->signal(SIGKILL);
        $killed->wait();

        self::assertSame('what was there', file_get_contents($this->folder.'/lantern.sqlite'));
        $again = $this->load();
        self::assertSame(0, $again->run(), $again->getErrorOutput());
        self::assertSame('', $again->getOutput(), 'what is loaded is not loaded again');

        $fresh = $this->load('--fresh');
        self::assertSame(0, $fresh->run(), $fresh->getErrorOutput());
        foreach (['an empty database', 'Practice plan', 'First Season, sales, 25 %', 'First Melody, live', 'loaded'] as $words) {
            self::assertStringContainsString($words, $fresh->getOutput());
        }
        self::assertFileDoesNotExist($this->folder.'/lantern.sqlite-wal');
        $database = new PDO("sqlite:{$this->folder}/lantern.sqlite");
        self::assertSame('wal', $database->query('pragma journal_mode')->fetchColumn());
        self::assertSame('ok', $database->query('pragma integrity_check')->fetchColumn());
        self::assertGreaterThan(10, $database->query('select count(*) from people')->fetchColumn());
        self::assertFileExists($this->folder.'/lantern-practice.sqlite');
        self::assertNotSame([], File::allFiles($this->folder.'/uploads'));
        self::assertDirectoryDoesNotExist($this->folder.'.loading');
        self::assertDirectoryDoesNotExist($this->folder.'.before');
    }

    private function load(string ...$options): Process
    {
        return new Process([PHP_BINARY, 'artisan', 'lantern:demo', $this->folder, ...$options], base_path(),
            ['LANTERN_DEMO_PART' => '20', 'DB_DATABASE' => $this->folder.'/never.sqlite'], timeout: 120);
    }
}
