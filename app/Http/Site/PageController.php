<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Front\FrontPages;
use App\Models\Funnel;
use App\Serving\Arrival;
use App\Serving\LivePage;
use App\Serving\PageFinder;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Support\Place;
use Illuminate\Http\Request;
use Lantern\Core\Domains\HostRole;
use Symfony\Component\HttpFoundation\Response;

use function Illuminate\Support\defer;

/** Shows a live page. */
final readonly class PageController
{
    public function __construct(private PageFinder $finder, private PageResponse $pages, private ExtraOfferController $extra,
        private Arrival $arrival, private FrontPages $fronts)
    {
    }

    public function __invoke(Request $request, string $funnel = '', string $page = ''): Response
    {
        [$funnel, $page] = Place::here($request)->asked("/{$funnel}".($page === '' ? '' : "/{$page}")) ?? [null, ''];
        if ($funnel === null) {
            return PlainPage::notHere()->response();
        }
        $live = $this->finder->find($request, $funnel, $page);
        if (! $live instanceof LivePage) {
            if ($live->getStatusCode() === 404 && Place::here($request)->role !== HostRole::Domain
                && Funnel::query()->where('address', $funnel)->doesntExist()) {
                defer(fn () => $this->fronts->catchUpNotice($live))->always();
            }

            return $live;
        }
        if ($request->query('answer') === 'no' && $live->page->role->isExtraOffer()) {
            return $this->extra->decline($request, $live);
        }
        $visit = $this->arrival->at($live, $request);

        if (! $live->closed) {
            defer(fn () => $this->fronts->catchUp($live->page, $live->funnel));
        }

        return Arrival::remember($this->pages->look($visit, $live), $visit);
    }
}
