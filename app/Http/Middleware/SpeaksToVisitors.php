<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Languages\SiteLanguage;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Each request begins without knowing which language it is about. */
final readonly class SpeaksToVisitors
{
    public function __construct(private SiteLanguage $language)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $this->language->begin();

        return $next($request);
    }
}
