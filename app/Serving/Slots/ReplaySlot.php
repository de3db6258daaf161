<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Models\Upload;
use App\Serving\Visit;
use App\Webinars\LiveRoom;
use App\Webinars\OwnRegistration;
use App\Webinars\Registrations\Links;
use App\Webinars\Registrations\RegisteredSessions;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\ReplayState;

/** The replay of a webinar, while it is open to whoever was registered for it. */
final class ReplaySlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        $block = $page->document->block($of);

        return $block === null ? [] : WebinarNote::of($block->field('webinar'), $block, $plan, $page);
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $now = CarbonImmutable::now();
        $own = OwnRegistration::of($visit->request, $visit->funnel, $webinar->id, $visit->submission, $visit->reader());
        $video = $webinar->video === '' ? null : Upload::query()->where('kind', 'video')->find($webinar->video);
        $captions = $webinar->captions === '' ? null : Upload::query()->where('kind', 'captions')->find($webinar->captions);
        $state = $own === null ? null : LiveRoom::at($webinar, $own->session())->attendee($own)->replay($now);
        $window = $own === null ? null : RegisteredSessions::of($webinar, $own)->replay;
        $language = WebinarNote::text($noted, 'language') ?: 'en';
        $register = $visit->path(WebinarNote::text($noted, 'registration'));
        $zone = new DateTimeZone($own->zone ?? 'UTC');
        if ($state !== ReplayState::Open || $video === null || $own === null) {
            return View::make('site.webinar.noreplay', ['state' => $state, 'register' => $register, 'hasVideo' => $video !== null,
                'over' => WebinarNote::text($noted, 'over'), 'onward' => $visit->onward(WebinarNote::text($noted, 'attended')),
                'opens' => $window === null ? '' : TimeWords::moment($window->opensAt, $zone, $language, $now)])->render();
        }

        return View::make('site.webinar.room', ['webinar' => $webinar, 'own' => $own, 'replay' => true, 'register' => $register,
            'chapters' => $webinar->chapters,
            'until' => $window?->endsAt === null ? '' : TimeWords::moment($window->endsAt, $zone, $language, $now),
            'data' => ['path' => Links::path($own), 'kind' => 'replay', 'title' => $webinar->title, 'live' => false,
                'onDemand' => true, 'pauses' => true, 'embed' => '', 'stream' => '', 'video' => $video->src(), 'type' => $video->mime,
                'captions' => $captions?->src() ?? '', 'language' => $language]])->render();
    }
}
