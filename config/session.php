<?php

declare(strict_types=1);

// Over https the cookie is tied to the Studio's host by its very name, which asks for the path of all and no domain.
$secure = str_starts_with((string) env('STUDIO_URL', env('APP_URL', '')), 'https://');

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'lifetime' => 60 * 24 * 14,
    'cookie' => $secure ? '__Host-lantern-studio' : 'lantern_studio',
    'path' => $secure ? '/' : '/studio',
    'same_site' => 'lax',
    'http_only' => true,
    'secure' => $secure,
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
