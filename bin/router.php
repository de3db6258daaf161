<?php

declare(strict_types=1);

// For PHP's own web server, which bin/demo uses: files that exist are sent as they are, all else goes to the application.

$path = urldecode((string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH));
if ($path !== '/' && is_file(__DIR__.'/../public'.$path)) {
    return false;
}

require __DIR__.'/../public/index.php';
