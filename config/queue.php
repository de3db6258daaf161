<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        // For loading the demo data, which sends its messages itself, each at its own moment.
        'null' => ['driver' => 'null'],
        'sync' => ['driver' => 'sync'],
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'jobs', 'queue' => 'default',
            'retry_after' => 90, 'after_commit' => false],
    ],
    'batching' => ['database' => 'sqlite', 'table' => 'job_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => 'sqlite', 'table' => 'failed_jobs'],
];
