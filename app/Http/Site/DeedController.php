<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Deadlines\VisitorIdentity;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Version;
use App\Serving\Browser;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Events\EventType;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Visits\Seeing;

/**
 * Takes what the visitor script reports of a page beside having seen it: which button was pressed, and how far somebody read. It answers
 * the same whatever it was told.
 */
final readonly class DeedController
{
    private const DEEDS = ['press' => [EventType::Pressed, 'blocks'], 'read' => [EventType::Read, 'sections']];

    public function __construct(private Events $events)
    {
    }

    public function __invoke(Request $request): Response
    {
        $this->note($request);

        return new Response('', 204);
    }

    private function note(Request $request): void
    {
        $deed = self::DEEDS[Input::text($request, 'did')] ?? null;
        [$funnelId, $page, $visitor] = [Input::text($request, 'funnel'), Input::text($request, 'page'), Browser::id($request)];
        if ($deed === null || ! Ids::is($funnelId) || ! Ids::is($page) || $visitor === null || Browser::isOwner($request)
            || ! Seeing::counts($request->userAgent(), $request->headers->get('Sec-Purpose'))) {
            return;
        }
        $funnel = Funnel::query()->with('business')->where('state', FunnelState::Live)->find($funnelId);
        $variant = Input::text($request, 'variant');
        $row = $funnel?->live_version_id === null ? null : PublishedPage::query()->where('version_id', $funnel->live_version_id)
            ->where('page_id', $page)->where('variant', $variant === SplitTest::ORIGINAL ? '' : $variant)->whereNull('popup')
            ->first(['id', 'version_id', 'places']);
        $part = $row->places[$deed[1]][Input::number($request, 'at', -1, -1, 1000)] ?? null;
        if ($funnel === null || $row === null || ! is_string($part)) {
            return;
        }
        $version = Version::query()->select(['id', 'funnel_id'])->findOrFail($row->version_id);
        $this->events->take(new NewEvent($deed[0], $funnel->business, CarbonImmutable::now(), $funnel, $version, $page,
            personId: VisitorIdentity::personOf($visitor), visitor: $visitor, part: $part));
    }
}
