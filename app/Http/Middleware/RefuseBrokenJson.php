<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A body that says it is JSON and is not would otherwise be taken for an empty one. */
final class RefuseBrokenJson
{
    private const MOST_BYTES = 2_000_000;

    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isJson() && ($body = $request->getContent()) !== '') {
            if (strlen($body) > self::MOST_BYTES) {
                return response()->json(['message' => 'That is more than can be saved at once. Nothing was changed.'], 413);
            }
            if (! is_array(json_decode($body, true, 32))) {
                return response()->json(['message' => 'What was sent could not be read (broken JSON). Nothing was changed.'], 400);
            }
        }
        /** @var Response $response */
        $response = $next($request);

        return $response;
    }
}
