<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\PlainPage;
use App\Support\Hosts;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The address without a path. On the Studio's host it leads in; visitors are not told where the Studio is. */
final class FrontDoorController
{
    public function __invoke(Request $request): Response
    {
        if (Hosts::isStudio($request)) {
            return new RedirectResponse(Hosts::studio().'/studio');
        }

        return (Hosts::areOfThisMachine($request) ? PlainPage::studioIsElsewhere(Hosts::studio().'/studio') : PlainPage::notHere())
            ->response();
    }
}
