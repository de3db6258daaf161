<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\LivePage;
use App\Serving\PageResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PageResponse $pages)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($request, $funnel, $page);

        return $live instanceof LivePage ? $this->pages->of($live, $request) : $live;
    }
}
