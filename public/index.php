<?php

declare(strict_types=1);

use Illuminate\Foundation\Application;
use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));

$answer = (require __DIR__.'/../bootstrap/front.php')();
if ($answer !== null) {
    $answer->send();
    if ($answer->later !== null) {
        (require __DIR__.'/../bootstrap/afterwards.php')($answer->later);
    }

    return;
}

require __DIR__.'/../vendor/autoload.php';

/** @var Application $app */
$app = require_once __DIR__.'/../bootstrap/app.php';

$app->handleRequest(Request::capture());
