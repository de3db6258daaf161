<?php

declare(strict_types=1);

namespace App\Support\Sqlite;

use PDO;

/**
 * A connection whose transactions take the write lock when they begin. Begun without it, a transaction that reads
 * first and writes later is refused at once when somebody else wrote in between: no busy timeout helps, since what
 * it has read is out of date. From PHP 8.4 on the framework does this by itself, as `transaction_mode` says.
 */
final class ImmediatePdo extends PDO
{
    private bool $begun = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE TRANSACTION');

        return $this->begun = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->begun = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->begun = false;
        $this->exec('ROLLBACK');

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->begun;
    }
}
