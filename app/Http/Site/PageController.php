<?php

declare(strict_types=1);

namespace App\Http\Site;

use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PageResponse $pages)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($funnel, $page);

        return $live instanceof Notice ? $live->response() : $this->pages->of($live, $request);
    }
}
