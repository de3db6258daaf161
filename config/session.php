<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'lifetime' => 60 * 24 * 14,
    'cookie' => 'lantern_studio',
    'path' => '/studio',
    'same_site' => 'lax',
    'http_only' => true,
    'secure' => env('SESSION_SECURE_COOKIE'),
    'lottery' => [2, 100],
    'table' => 'sessions',
    'encrypt' => false,
    'expire_on_close' => false,
    'files' => storage_path('framework/sessions'),
    'connection' => null,
    'store' => null,
    'domain' => null,
    'partitioned' => false,
];
