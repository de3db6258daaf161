<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Journey\PageViews;
use App\Journey\Stranger;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Serving\Browser;
use App\Serving\Source;
use App\Serving\Visit;
use App\Support\Ids;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Results\Device;
use Lantern\Core\Visits\Seeing;

/** Takes a view that the visitor script reports. It answers the same whatever it was told. */
final readonly class BeaconController
{
    public function __construct(private PageViews $views)
    {
    }

    public function __invoke(Request $request): Response
    {
        $this->see($request);

        return new Response('', 204);
    }

    private function see(Request $request): void
    {
        [$funnelId, $page, $visitor] = [$request->input('funnel'), $request->input('page'), Browser::id($request)];
        if (! is_string($funnelId) || ! is_string($page) || ! Ids::is($funnelId) || ! Ids::is($page) || $visitor === null
            || Browser::isOwner($request) || ! Seeing::counts($request->userAgent(), $request->headers->get('Sec-Purpose'))) {
            return;
        }
        $funnel = Funnel::query()->with('business')->where('state', FunnelState::Live)->find($funnelId);
        if ($funnel?->live_version_id === null || PublishedPage::query()->where('version_id', $funnel->live_version_id)
            ->where('page_id', $page)->whereNull('popup')->doesntExist()) {
            return;
        }
        $zone = Browser::zone(SiteCookies::read($request, SiteCookie::Zone));
        $person = VisitorIdentity::personOf($visitor) ?? Visit::readerOf($request, $funnel)?->person->id;
        $this->views->see($funnel, $funnel->live_version_id, $page, VisitorIdentity::personOf($visitor),
            new Stranger($visitor, (string) $request->ip(), $zone === null ? $funnel->business->zone() : new DateTimeZone($zone)),
            Source::touch($request->input('source'), $request->input('from')), CarbonImmutable::now(), Device::of($request->userAgent()),
            Exposures::confirmed($page, $request->input('variant'), $visitor, $person));
    }
}
