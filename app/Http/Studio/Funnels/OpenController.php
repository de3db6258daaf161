<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Http\Studio\StudioController;
use App\Serving\HandOver;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Opens a public page of a funnel as its owner, whose visit counts nowhere. */
final class OpenController extends StudioController
{
    public function __invoke(Request $request, string $funnel, string $page = ''): RedirectResponse
    {
        $found = $this->funnel($funnel);

        return new RedirectResponse(HandOver::link($found->site(), $page, $request,
            CarbonImmutable::now()));
    }
}
