<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Browser;
use App\Serving\HandOver;
use App\Serving\PlainPage;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Remembers that this browser is the owner's, and leads on to the page they opened. */
final class HandOverController
{
    public function __invoke(Request $request): Response
    {
        $to = HandOver::read($request, CarbonImmutable::now());
        if ($to === null) {
            return PlainPage::notHere()->response();
        }
        $response = new RedirectResponse($to);
        $response->headers->setCookie(SiteCookies::give(SiteCookie::Owner, '1'));

        return $response;
    }
}
