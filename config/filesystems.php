<?php

declare(strict_types=1);

return [
    'default' => 'uploads',
    'disks' => [
        // Outside the web root; what is sent from here is sent by the application, with its own headers.
        'uploads' => ['driver' => 'local', 'root' => env('UPLOADS_PATH', storage_path('app/uploads')), 'serve' => false, 'throw' => true],
    ],
];
