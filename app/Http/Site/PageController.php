<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Arrival;
use App\Serving\BuyersOnly;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Serving\PublishedPages;
use App\Serving\Visit;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PublishedPages $published, private PageResponse $pages, private ExtraOfferController $extra,
        private Arrival $arrival)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($request, $this->published, $funnel, $page);

        if (! $live instanceof LivePage) {
            return $live;
        }
        if ($request->query('answer') === 'no' && $live->page->role->isExtraOffer()) {
            return $this->extra->decline($request, $live);
        }
        if (! BuyersOnly::lets($request, $live)) {
            return PlainPage::forBuyers($live->funnel->url())->response();
        }

        $visit = $this->arrival->at($live, $request);

        return $visit instanceof Visit ? Arrival::remember($this->pages->of($visit), $visit) : $visit;
    }
}
