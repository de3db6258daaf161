<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Visit;
use App\Webinars\OwnRegistration;
use App\Webinars\Registrations\Links;
use App\Webinars\Registrations\Offered;
use App\Webinars\Registrations\RegisteredSessions;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\SessionNews;

/** Somebody's own session: when it is, the calendar file, the way into the room, and how to choose another one. */
final class SessionSlot implements Slot
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
        $language = WebinarNote::text($noted, 'language') ?: 'en';
        $zone = new DateTimeZone($own->zone ?? (WebinarNote::text($noted, 'zone') ?: 'UTC'));
        $registration = WebinarNote::text($noted, 'registration');

        return View::make('site.webinar.session', ['webinar' => $webinar, 'own' => $own, 'zone' => $zone, 'now' => $now,
            'language' => $language, 'text' => WebinarNote::text($noted, 'text'), 'page' => $visit->page->page_id,
            'state' => SessionNews::of($visit->submission === null ? null : $visit->submission->session !== null, $own?->state,
                $own?->session(), $own?->open !== null, $now)->value, 'offered' => Offered::to($webinar, $zone, $now, $own?->person_id),
            'time' => $own === null || $own->isOnDemand() ? '' : TimeWords::moment($own->starts_at, $zone, $language, $now),
            'links' => $own === null ? [] : ['room' => Links::room($own), 'calendar' => Links::calendar($own),
                'change' => Links::path($own).'/session', 'cancel' => Links::path($own).'/cancel', 'replay' => Links::replay($own)],
            'register' => $visit->path($registration), 'share' => $visit->funnel->url($registration),
            'replay' => $own === null ? null : RegisteredSessions::of($webinar, $own)->replay])->render();
    }
}
