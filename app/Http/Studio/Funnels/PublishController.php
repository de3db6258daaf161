<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Http\Studio\Json\VersionJson;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Models\Version;
use App\Publishing\FunnelCheck;
use App\Publishing\Publishing;
use App\Serving\PreviewLink;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Plan\Changes;
use Lantern\Core\Plan\FunnelState;

final class PublishController extends StudioController
{
    public function __construct(private readonly Publishing $publishing, private readonly FunnelCheck $check)
    {
    }

    public function check(string $funnel): JsonResponse
    {
        return response()->json(['findings' => array_map(fn (Finding $f): array => $f->toArray(),
            $this->findings($this->funnel($funnel)))]);
    }

    /** @return list<Finding> */
    private function findings(Funnel $funnel): array
    {
        return $this->check->of($funnel, DraftPlan::read($funnel));
    }

    /** What publishing would change for visitors, page by page. */
    public function changes(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $live = $found->liveVersion;

        return response()->json(['changes' => $live === null ? []
            : array_map(fn (Changes $c): array => ['about' => $c->about, 'sentences' => $c->sentences],
                Changes::between($live->plan(), DraftPlan::read($found)))]);
    }

    /** A link that shows the draft to whoever has it, for two weeks. */
    public function previewLink(string $funnel): JsonResponse
    {
        $until = CarbonImmutable::now()->addDays(14);

        return response()->json(['url' => PreviewLink::make($this->funnel($funnel)->id, $until), 'until' => Instant::json($until)]);
    }

    public function versions(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $versions = Version::query()->where('funnel_id', $found->id)->orderByDesc('number')->limit(50)
            ->get(['id', 'funnel_id', 'number', 'note', 'published_at']);

        return response()->json(['versions' => $versions->map(fn (Version $v): array => VersionJson::of($v, $found))->all()]);
    }

    public function publish(Request $request, string $funnel): JsonResponse
    {
        $given = $request->validate(['note' => ['nullable', 'string', 'max:300'], 'move' => ['sometimes', 'array', 'max:20'],
            'move.*' => ['string', 'max:40']]);
        $found = $this->funnel($funnel);
        $version = $this->publishing->publish($found, $this->user(), trim((string) ($given['note'] ?? '')),
            array_values($given['move'] ?? []));

        return response()->json(['version' => VersionJson::of($version, $found), 'url' => $found->url()]);
    }

    public function close(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        if ($found->state !== FunnelState::Live) {
            return response()->json(['message' => 'Only a live funnel can be closed.'], 422);
        }
        $this->publishing->close($found);

        return response()->json(['state' => $found->state]);
    }

    public function switchTo(string $funnel, string $version): JsonResponse
    {
        $found = $this->funnel($funnel);
        $target = Version::query()->where('funnel_id', $found->id)->findOrFail($version);
        $this->publishing->switchTo($found, $target);

        return response()->json(['version' => VersionJson::of($target, $found), 'url' => $found->url()]);
    }
}
