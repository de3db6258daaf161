<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Real workers on a real database file, killed without warning while they are sending. */
final class KilledWorkerTest extends TestCase
{
    private const MESSAGES = 40;

    /** Microseconds from one run of the scheduler to the next; each starts the whole application. */
    private const SWEEP = 400_000;

    private string $folder;

    /** @var array<string, string> */
    private array $env;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-kill-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        touch("{$this->folder}/db.sqlite");
        $this->env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=',
            'DB_DATABASE' => "{$this->folder}/db.sqlite", 'CACHE_STORE' => 'file', 'CACHE_PATH' => $this->folder,
            'UPLOADS_PATH' => $this->folder, 'QUEUE_CONNECTION' => 'database', 'MAIL_MAILER' => 'outbox', 'LANTERN_STALE_AFTER' => '1',
            'LANTERN_PAUSE_BEFORE_HANDOVER' => '0.05'];
        $this->artisan('migrate', '--force')->mustRun();
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function test_a_worker_killed_in_the_middle_neither_loses_nor_doubles_a_message(): void
    {
        $this->artisan('lantern:seed-crash-test', (string) self::MESSAGES)->mustRun();
        $killedWhileSending = 0;
        for ($round = 1; $round <= 3; $round++) {
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
            }, every: self::SWEEP);
        }
        self::assertGreaterThan(0, $killedWhileSending, 'a worker died holding a message');
        $this->artisan('queue:work', '--stop-when-empty', '--sleep=0')->mustRun();

        self::assertSame(self::MESSAGES, $this->messages("state = 'sent'"));
        $outbox = $this->pdo()->query('select count(*), count(distinct message_id), count(distinct envelope_to) from outbox')
            ->fetch(PDO::FETCH_NUM);
        self::assertSame([self::MESSAGES, self::MESSAGES, self::MESSAGES], array_map(intval(...), $outbox));
    }

    public function test_a_scheduler_that_is_killed_in_the_middle_stops_nothing(): void
    {
        $this->artisan('lantern:seed-crash-test', '1')->mustRun();
        $this->pdo()->exec('delete from jobs; update messages set queued_at = null');
        $holder = $this->pdo();
        $holder->exec('begin immediate');
        $killed = $this->artisan('lantern:due');
        $killed->start();
        $lock = dirname(__DIR__, 3).'/storage/framework/due-'.substr(hash('sha256', "{$this->folder}/db.sqlite"), 0, 12).'.lock';
        $this->until(fn (): bool => is_file($lock) && ! flock(fopen($lock, 'c') ?: STDERR, LOCK_EX | LOCK_NB), $killed);
        self::assertSame("Another process is at it.\n", $this->artisan('lantern:due')->mustRun()->getOutput());
        $killed->signal(SIGKILL);
        $killed->wait();
        $holder->exec('commit');
        self::assertSame("1 queued\n", $this->artisan('lantern:due')->mustRun()->getOutput(), 'at once');
        $this->artisan('queue:work', '--stop-when-empty', '--sleep=0')->mustRun();
        self::assertSame(1, $this->messages("state = 'sent'"));
        unlink($lock);
    }

    public function test_five_hundred_mails_two_workers_one_killed_and_the_database_busy_for_seconds(): void
    {
        $this->env['LANTERN_PAUSE_BEFORE_HANDOVER'] = '0.001';
        $this->artisan('lantern:seed-crash-test', '500')->mustRun();
        $workers = [$this->artisan('queue:work', '--sleep=0'), $this->artisan('queue:work', '--sleep=0')];
        foreach ($workers as $worker) {
            $worker->start();
        }
        // Every job once more, so that two workers come to the same one, and a worker killed with a job in its hand leaves another.
        $this->pdo()->exec('insert into jobs (queue, payload, attempts, available_at, created_at) select queue, payload, 0, '
            .'available_at, created_at from jobs');
        $this->until(fn (): bool => $this->messages("state = 'sent'") >= 100, $workers[0]);
        // Somebody else writes, and takes two seconds over it: that long is the point, not a wait for something.
        $writer = $this->pdo();
        $writer->exec('begin immediate');
        $end = microtime(true) + 2;
        $this->until(fn (): bool => microtime(true) > $end);
        $writer->exec('commit');
        $this->until(fn (): bool => $this->messages("state = 'sent'") >= 200, $workers[1]);
        $workers[1]->signal(SIGKILL);
        $workers[1]->wait();
        $this->until(function (): bool {
            $this->artisan('lantern:due')->mustRun();

            return $this->messages("state = 'sent'") === 500;
        }, $workers[0], self::SWEEP);
        $workers[0]->stop(5);

        $outbox = $this->pdo()->query('select count(*), count(distinct message_id), count(distinct envelope_to) from outbox')
            ->fetch(PDO::FETCH_NUM);
        self::assertSame([500, 500, 500], array_map(intval(...), $outbox), 'none lost, none doubled');
        self::assertSame(0, $this->messages("state <> 'sent'"));
    }

    private function artisan(string ...$arguments): Process
    {
        return new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__, 3), $this->env, timeout: 60);
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
    private function until(callable $condition, ?Process $while = null, int $every = 5_000): void
    {
        $end = microtime(true) + 60;
        while (! $condition()) {
            if (microtime(true) > $end || ($while !== null && ! $while->isRunning())) {
                self::fail('It never came to that. '.$while?->getOutput().$while?->getErrorOutput());
            }
            usleep($every);
        }
    }
}
