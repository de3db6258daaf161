<?php

declare(strict_types=1);

return [
    'name' => env('APP_NAME', 'Upbeat Lantern'),
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://localhost:8000'),
    // Everything is stored in UTC; the owner's and the visitors' zones are applied where times are shown.
    'timezone' => 'UTC',
    'locale' => 'en',
    'key' => env('APP_KEY'),
    'cipher' => 'AES-256-CBC',
];
