<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Webinars\Offered;
use DateTimeZone;
use Illuminate\Contracts\View\Factory;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\SessionNews;

/** Somebody's own session: when it is, the calendar file, the way into the room, and how to choose another one. */
final readonly class SessionSlot implements Slot
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

        return $webinar === null ? [] : [Need::submission(), Need::registration($webinar), Need::places($webinar)];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $now = $visit->now;
        $own = $visit->loaded->registration($webinar);
        $submission = $visit->loaded->submission();
        $places = $visit->loaded->places($webinar);
        $language = $visit->voice->language()->tag;
        $zone = $own->session->zone ?? new DateTimeZone(WebinarNote::text($noted, 'zone') ?: 'UTC');
        $registration = WebinarNote::text($noted, 'registration');

        return $this->views->make('site.webinar.session', ['webinar' => $webinar, 'own' => $own, 'zone' => $zone, 'now' => $now,
            'say' => $visit->voice, 'text' => WebinarNote::text($noted, 'text'), 'page' => $visit->page,
            'state' => SessionNews::of($submission?->chose, $own?->state, $own?->session, $own?->open === true, $now)->value,
            'offered' => Offered::of($webinar, $zone, $now, $places->taken, $places->calledOff),
            'time' => $own === null || $own->isOnDemand() ? '' : TimeWords::moment($own->session->startsAt, $zone, $language, $now),
            'links' => $own === null ? []
                : $own->links + ['change' => $own->links['path'].'/session', 'cancel' => $own->links['path'].'/cancel'],
            'register' => $visit->path($registration), 'share' => $visit->site->url($registration),
            'replay' => $own?->replay])->render();
    }
}
