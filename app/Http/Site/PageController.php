<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PublishedPages;
use App\Serving\Visit;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PublishedPages $published, private PageResponse $pages)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($request, $this->published, $funnel, $page);

        return $live instanceof LivePage ? $this->pages->of(new Visit($live->funnel, $live->page, $request)) : $live;
    }
}
