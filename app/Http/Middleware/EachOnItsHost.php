<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Hosts;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The Studio's paths are on its own host alone and all others on the site's; whoever asks another host is told nothing. */
final class EachOnItsHost
{
    /** Paths that both have: health, and the front door, which on the Studio's host leads in. */
    private const ON_BOTH = ['up', '/'];

    public function handle(Request $request, Closure $next): AnyResponse
    {
        $isStudio = Hosts::isStudio($request);
        if (! $isStudio && ! Hosts::isSite($request)) {
            return new Response("There is nothing here.\n", 421,
                ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
        }
        $wantsStudio = $request->is('studio', 'studio/*');
        if (Hosts::areSeparate() && $wantsStudio !== $isStudio && ! in_array($request->path(), self::ON_BOTH, true)) {
            throw new NotFoundHttpException;
        }
        /** @var AnyResponse $response */
        $response = $next($request);

        return $response;
    }
}
