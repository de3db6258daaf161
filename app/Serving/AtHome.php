<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Place;
use App\Support\SiteAddress;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * A link that knows its reader may have been sent before its pages moved to another domain. Browsers keep what they know for each host
 * alone: so it is followed where the pages are now, or the next page would not know who comes.
 */
final class AtHome
{
    /**
     * Goes on where the pages are now, at the same path; there is nothing to be done where that is here.
     *
     * @param  SiteAddress  $home  where what the link is about stands today
     *
     * @throws HttpResponseException that leads there
     */
    public static function orThere(Request $request, SiteAddress $home): void
    {
        $place = Place::here($request);
        if ($request->isMethodSafe() && $place->role->hasPages() && $home->to('') !== $place->front()) {
            $query = (string) $request->getQueryString();
            throw new HttpResponseException(new RedirectResponse($home->to($request->getPathInfo()).($query === '' ? '' : "?{$query}"), 302,
                ['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer']));
        }
    }
}
