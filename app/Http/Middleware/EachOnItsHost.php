<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Hosts;
use App\Support\Place;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\URL;
use Lantern\Core\Domains\HostRole;
use PDO;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * The Studio's paths are on its own host alone, and all others on the site's and on domains of owners'; whoever asks another host is
 * told nothing.
 */
final class EachOnItsHost
{
    /** Where a web server asks whether a domain is known. */
    private const KNOWN = 'm/domains/known';

    public function handle(Request $request, Closure $next): AnyResponse
    {
        $place = Place::of($request->getHttpHost(), fn (): PDO => DB::connection()->getPdo());
        // The web server asks by itself before it gets a certificate, by whatever name it has for this machine.
        $isWebServer = $request->is(self::KNOWN) && in_array($request->server->get('REMOTE_ADDR'), ['127.0.0.1', '::1'], true);
        if ($place->role === HostRole::Unknown && ! $isWebServer) {
            return new Response("There is nothing here.\n", 421,
                ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
        }
        if (! $isWebServer && ! $place->role->mayBeAsked(trim($request->decodedPath(), '/'))) {
            throw new NotFoundHttpException;
        }
        $request->attributes->set(Place::class, $place);
        // Addresses in an answer are those of the host that was asked, which is one of ours; what is sent elsewhere names its own.
        URL::useOrigin($place->role === HostRole::Domain ? $place->front() : Hosts::site());
        /** @var AnyResponse $response */
        $response = $next($request);

        return $response;
    }
}
