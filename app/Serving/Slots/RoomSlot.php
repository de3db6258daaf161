<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Models\Upload;
use App\Serving\Visit;
use App\Webinars\OwnRegistration;
use App\Webinars\Registrations\Links;
use Illuminate\Support\Facades\View;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\WebinarMode;

/** The room of a webinar, for whoever has a place in it. What goes on in it is asked for by its script. */
final class RoomSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        $block = $page->document->block($of);
        $webinar = $plan->webinar($block?->field('webinar') ?? '');
        $host = parse_url($webinar->stream ?? '', PHP_URL_HOST);

        return $block === null ? [] : WebinarNote::of($block->field('webinar'), $block, $plan, $page)
            + ['host' => is_string($host) ? strtolower($host) : ''];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        $own = $webinar === null ? null : OwnRegistration::of($visit->request, $visit->funnel, $webinar->id, $visit->submission,
            $visit->reader());
        if ($webinar === null) {
            return '';
        }
        $video = $webinar->video === '' ? null : Upload::query()->where('kind', 'video')->find($webinar->video);
        $captions = $webinar->captions === '' ? null : Upload::query()->where('kind', 'captions')->find($webinar->captions);
        $streams = $webinar->mode === WebinarMode::Live && $webinar->stream !== '';
        $embeds = $streams && in_array(WebinarNote::text($noted, 'host'), $visit->funnel->business->embed_hosts, true);

        return View::make('site.webinar.room', ['webinar' => $webinar, 'own' => $own, 'replay' => false,
            'register' => $visit->path(WebinarNote::text($noted, 'registration')), 'chapters' => [],
            'data' => $own === null ? [] : ['path' => Links::path($own), 'kind' => 'live', 'title' => $webinar->title,
                'live' => $webinar->mode === WebinarMode::Live, 'onDemand' => $own->isOnDemand(), 'pauses' => $webinar->mayPause(),
                'embed' => $embeds ? $webinar->stream : '', 'stream' => $streams && ! $embeds ? $webinar->stream : '',
                // Beside a stream the recording is that of an earlier session, for the replay.
                'video' => $streams ? '' : $video?->src() ?? '', 'type' => $video->mime ?? '', 'captions' => $captions?->src() ?? '',
                'language' => WebinarNote::text($noted, 'language') ?: 'en']])->render();
    }
}
