<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Version;
use App\Serving\Browser;
use App\Serving\Source;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Plan\FunnelState;
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
            || Browser::isOwner($request) || Bots::is($request->userAgent())
            || str_contains(strtolower($request->headers->get('Sec-Purpose', '') ?? ''), 'prefetch')) {
            return;
        }
        $funnel = Funnel::query()->with('business')->where('state', FunnelState::Live)->find($funnelId);
        // Without its plan, which is long and says nothing that counting needs.
        $version = $funnel === null ? null : Version::query()->select(['id', 'funnel_id'])->find($funnel->live_version_id);
        if ($version === null || PublishedPage::query()->where('version_id', $version->id)->where('page_id', $pageId)->whereNull('popup')
            ->doesntExist()) {
            return;
        }
        $person = DB::table('visitor_person')->where('visitor', $visitor)->value('person_id');
        $this->events->take(new NewEvent(EventType::Viewed, $funnel->business, CarbonImmutable::now(), $funnel, $version, $pageId,
            personId: is_string($person) ? $person : null, visitor: $visitor,
            source: Source::read($request->input('source'))['utm_source'] ?? null));
    }
}
