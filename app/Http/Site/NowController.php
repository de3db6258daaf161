<?php

declare(strict_types=1);

namespace App\Http\Site;

use Carbon\CarbonImmutable;
use Illuminate\Http\Response;

/** The server's clock, in milliseconds since 1970: what countdowns go by. */
final class NowController
{
    public function __invoke(): Response
    {
        return new Response(CarbonImmutable::now()->format('Uv'), 200,
            ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
    }
}
