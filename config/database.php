<?php

declare(strict_types=1);

// Milliseconds that a writer waits for another one. Whoever waits in a browser is told before they give up; workers have time.
$wait = PHP_SAPI === 'cli' ? 10_000 : 5_000;

return [
    'default' => env('DB_CONNECTION', 'sqlite'),
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('lantern.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Writers wait for each other instead of failing, and take the write lock when they begin.
            'busy_timeout' => $wait,
            'journal_mode' => 'wal',
            'synchronous' => 'normal',
            'transaction_mode' => 'IMMEDIATE',
        ],
        // The ledger of practice payments. It knows nothing of our transactions, as a provider elsewhere would not.
        'practice' => [
            'driver' => 'sqlite',
            'database' => env('PRACTICE_DATABASE', env('DB_DATABASE') === ':memory:' ? ':memory:'
                : preg_replace('/(\.sqlite)?$/D', '-practice.sqlite', (string) env('DB_DATABASE', database_path('lantern.sqlite')), 1)),
            // It begins by itself.
            'create' => true,
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => $wait,
            'journal_mode' => 'wal',
            'synchronous' => 'normal',
            'transaction_mode' => 'IMMEDIATE',
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
