<?php

declare(strict_types=1);

return [
    'default' => 'uploads',
    'disks' => [
        // The framework's own disk would be served under /storage; nothing of ours is to be had there.
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
        // Outside the web root; what is sent from here is sent by the application, with its own headers.
        'uploads' => ['driver' => 'local', 'root' => env('UPLOADS_PATH', storage_path('app/uploads')), 'serve' => false, 'throw' => true],
    ],
];
