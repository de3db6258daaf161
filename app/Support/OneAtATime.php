<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * Work of which one process at a time does on this machine. The lock is the operating system's: it goes with the process that holds
 * it, however that ends, so that one which was killed is in nobody's way.
 */
final class OneAtATime
{
    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T|null nothing where another process is at it
     */
    public static function do(string $name, callable $work): mixed
    {
        $database = (string) config('database.connections.'.config('database.default').'.database');
        if ($database === ':memory:') {
            // It is this process's alone: another that has one, too, is about something else.
            return $work();
        }
        // Each database has its own.
        $of = substr(hash('sha256', $database), 0, 12);
        $file = fopen(storage_path("framework/{$name}-{$of}.lock"), 'c');
        if ($file === false) {
            throw new RuntimeException('There is no writing into '.storage_path('framework').'.');
        }
        try {
            return flock($file, LOCK_EX | LOCK_NB) ? $work() : null;
        } finally {
            fclose($file);
        }
    }
}
