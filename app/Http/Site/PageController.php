<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Arrival;
use App\Serving\LivePage;
use App\Serving\PageFinder;
use App\Serving\PageResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PageFinder $finder, private PageResponse $pages, private ExtraOfferController $extra,
        private Arrival $arrival)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = $this->finder->find($request, $funnel, $page);
        if (! $live instanceof LivePage) {
            return $live;
        }
        if ($request->query('answer') === 'no' && $live->page->role->isExtraOffer()) {
            return $this->extra->decline($request, $live);
        }
        $visit = $this->arrival->at($live, $request);

        return Arrival::remember($this->pages->answer($visit), $visit);
    }
}
