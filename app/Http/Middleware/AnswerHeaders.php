<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Serving\PageHeaders;
use App\Support\AnswerKind;
use App\Support\Onward;
use App\Support\Place;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** Every answer has the headers of its kind. One that says nothing of its kind is the Studio's, or plain. */
final class AnswerHeaders
{
    public function handle(Request $request, Closure $next): Response
    {
        /** @var Response $response */
        $response = $next($request);
        $isStudio = $request->is('studio', 'studio/*');
        if (! $isStudio && $request->isMethod('POST') && $response instanceof RedirectResponse
            && Onward::leavesUs($response->getTargetUrl(), Place::here($request)->front())) {
            $response = Onward::instead($response);
        }
        foreach ($isStudio ? AnswerKind::Studio->headers() : AnswerKind::Plain->headers() as $name => $value) {
            // Nothing of the Studio is kept by others, whatever the framework says of a file.
            if (! $response->headers->has($name) || ($isStudio && $name === 'Cache-Control')) {
                $response->headers->set($name, $value);
            }
        }
        if ($request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', PageHeaders::STRICT_TRANSPORT);
        }
        $response->headers->remove('X-Powered-By');
        if (! headers_sent()) {
            header_remove('X-Powered-By');
        }

        return $response;
    }
}
