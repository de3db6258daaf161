<?php

declare(strict_types=1);

namespace App\Http\Site;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Says that the application answers and reaches its database; anything else ends in an error page with state 500. */
final class HealthController
{
    public function __invoke(): Response
    {
        DB::selectOne('select 1');

        return new Response("The lantern is lit.\n", 200, ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
    }
}
