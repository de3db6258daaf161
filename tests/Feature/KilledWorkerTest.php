<?php

declare(strict_types=1);

namespace Tests\Feature;

use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Real workers on a real database file, killed without warning while they are sending. */
final class KilledWorkerTest extends TestCase
{
    private const MESSAGES = 40;

    private string $folder;

    /** @var array<string, string> */
    private array $env;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-kill-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        touch("{$this->folder}/db.sqlite");
        $this->env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=', 'DB_DATABASE' => "{$this->folder}/db.sqlite", 'CACHE_STORE' => 'file', 'CACHE_PATH' => $this->folder,
            'UPLOADS_PATH' => $this->folder, 'QUEUE_CONNECTION' => 'database', 'MAIL_MAILER' => 'outbox', 'LANTERN_STALE_AFTER' => '1', 'LANTERN_PAUSE_BEFORE_HANDOVER' => '0.05'];
        $this->artisan('migrate', '--force')->mustRun();
        $this->artisan('lantern:rehearse-crash', (string) self::MESSAGES)->mustRun();
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function test_a_worker_killed_in_the_middle_neither_loses_nor_doubles_a_message(): void
    {
        $killedWhileSending = 0;
        for ($round = 1; $round <= 4; $round++) {
            $worker = $this->artisan('queue:work', '--sleep=0');
            $worker->start();
            $goal = $round * 6;
            // Wait until it is in the middle of a message, with some behind it and most still to come.
            $this->until(fn (): bool => $this->messages("state = 'sent'") >= $goal && $this->messages("state = 'sending'") === 1, $worker);
            $worker->signal(SIGKILL);
            $worker->wait();
            $killedWhileSending += $this->messages("state = 'sending'");
            // The dead worker's job is reserved; its message is held. The scheduler's sweep frees it once it is stale.
            $this->until(function (): bool {
                $this->artisan('lantern:due')->mustRun();

                return $this->messages("state = 'sending'") === 0;
            });
        }
        self::assertGreaterThan(0, $killedWhileSending, 'a worker died holding a message');
        $this->artisan('queue:work', '--stop-when-empty')->mustRun();

        self::assertSame(self::MESSAGES, $this->messages("state = 'sent'"));
        $outbox = $this->pdo()->query('select count(*), count(distinct message_id), count(distinct envelope_to) from outbox')->fetch(PDO::FETCH_NUM);
        self::assertSame([self::MESSAGES, self::MESSAGES, self::MESSAGES], array_map(intval(...), $outbox));
    }

    private function artisan(string ...$arguments): Process
    {
        return new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__, 2), $this->env, timeout: 60);
    }

    private function pdo(): PDO
    {
        return new PDO("sqlite:{$this->folder}/db.sqlite", options: [PDO::ATTR_TIMEOUT => 10]);
    }

    private function messages(string $where): int
    {
        return (int) $this->pdo()->query("select count(*) from messages where {$where}")->fetchColumn();
    }

    /** @param  callable(): bool  $condition */
    private function until(callable $condition, ?Process $while = null): void
    {
        $end = microtime(true) + 30;
        while (! $condition()) {
            if (microtime(true) > $end || ($while !== null && ! $while->isRunning())) {
                self::fail('It never came to that. '.$while?->getOutput().$while?->getErrorOutput());
            }
            usleep(5_000);
        }
    }
}
