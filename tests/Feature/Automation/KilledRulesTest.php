<?php

declare(strict_types=1);

namespace Tests\Feature\Automation;

use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** A real scheduler on a real database file, killed without warning while rules act for many people. */
final class KilledRulesTest extends TestCase
{
    private const PEOPLE = 120;

    private string $folder;

    /** @var array<string, string> */
    private array $env;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-rules-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        touch("{$this->folder}/db.sqlite");
        $this->env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=',
            'DB_DATABASE' => "{$this->folder}/db.sqlite", 'CACHE_STORE' => 'file', 'CACHE_PATH' => $this->folder,
            'UPLOADS_PATH' => $this->folder, 'QUEUE_CONNECTION' => 'database', 'MAIL_MAILER' => 'outbox'];
        $this->artisan('migrate', '--force')->mustRun();
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
        @unlink(dirname(__DIR__, 3).'/storage/framework/due-'.substr(hash('sha256', "{$this->folder}/db.sqlite"), 0, 12).'.lock');
    }

    public function test_whatever_dies_in_the_middle_each_rule_acts_once_for_each_person(): void
    {
        $this->artisan('lantern:seed-crash-test', (string) self::PEOPLE)->mustRun();
        $pdo = $this->pdo();
        $pdo->exec('delete from jobs; delete from messages; delete from person_tag');
        $pdo->exec('insert into business_rules (id, business_id, position, definition) '
            ."select '01rule', id, 1, '{\"name\": \"Writes\", \"when\": [{\"kind\": \"signup\"}], \"eachTime\": true, "
            ."\"acts\": [{\"kind\": \"note\", \"words\": \"x\"}, {\"kind\": \"tag\", \"tag\": \"Done\"}]}' from businesses");
        $pdo->exec('insert into rule_runs (business_id, rule_id, person_id, occurrence, why, happened_at, due_at) '
            ."select business_id, '01rule', id, 'x' || id, 'Joined.', '2026-01-01 00:00:00.000', '2026-01-01 00:00:00.000' from people");
        $killed = [];
        for ($round = 1; $round <= 3; $round++) {
            $worker = $this->artisan('lantern:due');
            $worker->start();
            for ($end = microtime(true) + 30; $this->done() < $round * 20 && $worker->isRunning(); usleep(500)) {
                self::assertLessThan($end, microtime(true));
            }
            $worker->signal(SIGKILL);
            $worker->wait();
            $killed[] = $this->done();
            self::assertSame([$this->done(), $this->done()], [$this->rowsOf('person_notes'), $this->rowsOf('person_tag')],
                'half of a rule');
        }
        self::assertLessThan(self::PEOPLE, $killed[0], 'it was killed in the middle');
        $this->artisan('lantern:due')->mustRun();
        self::assertSame([self::PEOPLE, self::PEOPLE, self::PEOPLE], [$this->done(), $this->rowsOf('person_notes'),
            (int) $this->pdo()->query('select count(distinct person_id) from person_notes')->fetchColumn()]);
    }

    private function done(): int
    {
        return (int) $this->pdo()->query("select count(*) from rule_runs where state = 'done'")->fetchColumn();
    }

    private function rowsOf(string $table): int
    {
        return (int) $this->pdo()->query("select count(*) from {$table}")->fetchColumn();
    }

    private function pdo(): PDO
    {
        $pdo = new PDO("sqlite:{$this->folder}/db.sqlite");
        $pdo->exec('pragma busy_timeout = 10000');

        return $pdo;
    }

    private function artisan(string ...$arguments): Process
    {
        return new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__, 3), $this->env, timeout: 120);
    }
}
