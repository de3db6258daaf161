<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\PlainPage;
use App\Support\Hosts;
use App\Support\Place;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Lantern\Core\Domains\HostRole;
use Symfony\Component\HttpFoundation\Response;

/**
 * The address without a path. On the Studio's host it leads in, on a domain to its front page; visitors are not told where the Studio is.
 */
final readonly class FrontDoorController
{
    public function __construct(private PageController $pages)
    {
    }

    public function __invoke(Request $request): Response
    {
        if (Hosts::isStudio($request)) {
            return new RedirectResponse(Hosts::studio().'/studio');
        }

        if (Place::here($request)->role === HostRole::Domain) {
            return ($this->pages)($request);
        }

        return (Hosts::areOfThisMachine($request) ? PlainPage::studioIsElsewhere(Hosts::studio().'/studio') : PlainPage::notHere())
            ->response();
    }
}
