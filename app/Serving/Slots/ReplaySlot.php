<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Webinars\RoomWords;
use DateTimeZone;
use Illuminate\Contracts\View\Factory;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\ReplayState;

/** The replay of a webinar, while it is open to whoever was registered for it. */
final readonly class ReplaySlot implements Slot
{
    public function __construct(private Factory $views)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $block = $page->document->block($of);

        return $block === null ? [] : WebinarNote::of($block->field('webinar'), $block, $plan, $page);
    }

    public function needs(string $of, array $noted): array
    {
        $webinar = WebinarNote::webinar($noted);

        return $webinar === null ? [] : [Need::registration($webinar), Need::replay($webinar), ...WebinarNote::uploads($webinar)];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $now = $visit->now;
        $own = $visit->loaded->registration($webinar);
        $video = $visit->loaded->upload($webinar->video);
        $captions = $visit->loaded->upload($webinar->captions);
        $state = $visit->loaded->replay($webinar);
        $window = $own?->replay;
        $language = $visit->voice->language()->tag;
        $register = $visit->path(WebinarNote::text($noted, 'registration'));
        $zone = $own->session->zone ?? new DateTimeZone('UTC');
        if ($state !== ReplayState::Open || $video === null || $own === null) {
            return $this->views->make('site.webinar.noreplay', ['state' => $state, 'say' => $visit->voice, 'register' => $register,
                'hasVideo' => $video !== null,
                'over' => WebinarNote::text($noted, 'over'), 'onward' => $visit->site->onward(WebinarNote::text($noted, 'attended')),
                'opens' => $window === null ? '' : TimeWords::moment($window->opensAt, $zone, $language, $now)])->render();
        }

        return $this->views->make('site.webinar.room', ['webinar' => $webinar, 'own' => $own, 'replay' => true, 'say' => $visit->voice,
            'register' => $register,
            'chapters' => $webinar->chapters,
            'until' => $window?->endsAt === null ? '' : TimeWords::moment($window->endsAt, $zone, $language, $now),
            'data' => ['path' => $own->links['path'], 'kind' => 'replay', 'title' => $webinar->title, 'live' => false,
                'onDemand' => true, 'pauses' => true, 'embed' => '', 'stream' => '', 'video' => $video->src, 'type' => $video->mime,
                'captions' => $captions->src ?? '', 'language' => $visit->voice->language()->plain(),
                'say' => RoomWords::of($visit->voice)]])->render();
    }
}
