<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Webinars\RoomWords;
use Illuminate\Contracts\View\Factory;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\WebinarMode;

/** The room of a webinar, for whoever has a place in it. What goes on in it is asked for by its script. */
final readonly class RoomSlot implements Slot
{
    public function __construct(private Factory $views)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $block = $page->document->block($of);
        $webinar = $plan->webinar($block?->field('webinar') ?? '');
        $host = parse_url($webinar->stream ?? '', PHP_URL_HOST);

        return $block === null ? [] : WebinarNote::of($block->field('webinar'), $block, $plan, $page)
            + ['host' => is_string($host) ? strtolower($host) : ''];
    }

    public function needs(string $of, array $noted): array
    {
        $webinar = WebinarNote::webinar($noted);

        return $webinar === null ? [] : [Need::business(), Need::registration($webinar), ...WebinarNote::uploads($webinar)];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $own = $visit->loaded->registration($webinar);
        $video = $visit->loaded->upload($webinar->video);
        $captions = $visit->loaded->upload($webinar->captions);
        $streams = $webinar->mode === WebinarMode::Live && $webinar->stream !== '';
        $embeds = $streams && in_array(WebinarNote::text($noted, 'host'), $visit->loaded->business()->embedHosts, true);

        return $this->views->make('site.webinar.room', ['webinar' => $webinar, 'own' => $own, 'replay' => false, 'say' => $visit->voice,
            'register' => $visit->path(WebinarNote::text($noted, 'registration')), 'chapters' => [],
            'data' => $own === null ? [] : ['path' => $own->links['path'], 'kind' => 'live', 'title' => $webinar->title,
                'live' => $webinar->mode === WebinarMode::Live, 'onDemand' => $own->isOnDemand(), 'pauses' => $webinar->mayPause(),
                'embed' => $embeds ? $webinar->stream : '', 'stream' => $streams && ! $embeds ? $webinar->stream : '',
                // Beside a stream the recording is that of an earlier session, for the replay.
                'video' => $streams ? '' : $video->src ?? '', 'type' => $video->mime ?? '', 'captions' => $captions->src ?? '',
                'language' => $visit->voice->language()->plain(), 'say' => RoomWords::of($visit->voice)]])->render();
    }
}
