<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Models\Registration;
use App\Serving\Visit;
use App\Webinars\Registrations\Bookings;
use App\Webinars\Registrations\Links;
use App\Webinars\Registrations\Offered;
use App\Webinars\Seat;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

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
        $seat = Seat::of($visit->request, $visit->funnel, $webinar->id, $visit->submission, $visit->reader());
        $language = WebinarNote::text($noted, 'language') ?: 'en';
        $zone = new DateTimeZone($seat->zone ?? (WebinarNote::text($noted, 'zone') ?: 'UTC'));
        $registration = WebinarNote::text($noted, 'registration');

        return View::make('site.webinar.session', ['webinar' => $webinar, 'seat' => $seat, 'zone' => $zone, 'now' => $now,
            'language' => $language, 'text' => WebinarNote::text($noted, 'text'), 'page' => $visit->page->page_id,
            'state' => self::state($seat, $visit, $now), 'offered' => Offered::to($webinar, $zone, $now, $seat?->person_id),
            'time' => $seat === null || $seat->isOnDemand() ? '' : TimeWords::moment($seat->starts_at, $zone, $language, $now),
            'links' => $seat === null ? [] : ['room' => Links::room($seat), 'calendar' => Links::calendar($seat),
                'change' => Links::path($seat).'/session', 'cancel' => Links::path($seat).'/cancel', 'replay' => Links::replay($seat)],
            'register' => $visit->path($registration), 'share' => $visit->funnel->url($registration),
            'replay' => $seat === null ? null : Bookings::of($webinar, $seat)->replay])->render();
    }

    /** @return 'none'|'list'|'inbox'|'waiting'|'cancelled'|'over'|'registered' */
    private static function state(?Registration $seat, Visit $visit, CarbonImmutable $now): string
    {
        return match (true) {
            $seat === null && $visit->submission === null => 'none',
            // Where there was no session to choose, they hear of the next one.
            $seat === null => $visit->submission->session === null ? 'list' : 'inbox',
            $seat->state === Registration::CANCELLED => 'cancelled',
            $seat->open === null || (! $seat->isOnDemand() && $seat->ends_at <= $now) => 'over',
            $seat->state === Registration::WAITING => 'waiting',
            default => 'registered',
        };
    }
}
