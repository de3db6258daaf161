<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Serving\Browser;
use App\Serving\PageResponse;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Bots;

/** Counts a view that the visitor script reports. It answers the same whatever it was told. */
final readonly class BeaconController
{
    public function __construct(private Events $events)
    {
    }

    public function __invoke(Request $request): Response
    {
        $this->count($request);

        return new Response('', 204);
    }

    private function count(Request $request): void
    {
        [$funnelId, $pageId, $visitor] = [$request->input('funnel'), $request->input('page'), Browser::id($request)];
        if (! is_string($funnelId) || ! is_string($pageId) || ! Ids::is($funnelId) || ! Ids::is($pageId) || $visitor === null
            || Browser::isOwner($request) || Bots::is($request->userAgent()) || str_contains(strtolower($request->headers->get('Sec-Purpose', '') ?? ''), 'prefetch')) {
            return;
        }
        $funnel = Funnel::query()->with(['liveVersion', 'business'])->where('state', 'live')->find($funnelId);
        if ($funnel?->liveVersion?->plan()->page($pageId) === null) {
            return;
        }
        $person = DB::table('visitor_person')->where('visitor', $visitor)->value('person_id');
        $this->events->take(new NewEvent(EventType::Viewed, $funnel->business, CarbonImmutable::now(), $funnel, $funnel->liveVersion, $pageId,
            personId: is_string($person) ? $person : null, visitor: $visitor, source: PageResponse::readSource($request->input('source'))['utm_source'] ?? null));
    }
}
