<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\Manner;
use Lantern\Core\Webinars\Webinar;

/** Whether the webinars of a funnel can be held: there is a session to come, something to be seen in it, and a replay that opens. */
final class WebinarCheck
{
    /**
     * @param  DateTimeImmutable|null  $now  sessions are told from it; null leaves them out
     * @return list<Finding>
     */
    public static function of(Plan $plan, ?DateTimeImmutable $now = null): array
    {
        return array_merge([], ...array_map(fn (Webinar $w): array => self::ofOne($plan, $w, $now), $plan->webinars));
    }

    /** @return list<Finding> */
    private static function ofOne(Plan $plan, Webinar $webinar, ?DateTimeImmutable $now): array
    {
        $findings = [];
        $find = function (string $code, bool $blocks, string $text) use (&$findings, $webinar): void {
            $findings[] = new Finding($code, $blocks, $text, 'webinar', $webinar->id, 'Open the webinar');
        };
        if ($webinar->title === '') {
            $find('webinar-untitled', true, "“{$webinar->name}” has no title that those who register could read.");
        }
        if ($webinar->manner === Manner::Automated && $webinar->video === '') {
            $find('webinar-no-video', true, "“{$webinar->name}” is played from a recording, and has none.");
        }
        if ($webinar->manner === Manner::Live && $webinar->stream === '') {
            $find('webinar-no-stream', false,
                "“{$webinar->name}” is held live, and has no address of a stream: its room would be empty.");
        }
        if ($webinar->manner === Manner::Live && $webinar->replay !== null && $webinar->video === '') {
            $find('webinar-no-replay', false,
                "“{$webinar->name}” has a replay, and no recording for it yet. You can bring it afterwards.");
        }
        if ($webinar->offer !== null && $plan->offer($webinar->offer->offer) === null) {
            $find('webinar-offer-gone', false, "“{$webinar->name}” shows an offer that is gone: nothing will appear.");
        }
        if ($webinar->offer !== null && $webinar->offer->second !== null
            && $webinar->offer->second >= $webinar->schedule->minutes * 60) {
            $find('webinar-offer-late', false, "“{$webinar->name}” is over before its offer appears.");
        }
        if ($now !== null) {
            self::sessions($webinar, $now, $find);
        }

        return $findings;
    }

    /** @param  callable(string, bool, string): void  $find */
    private static function sessions(Webinar $webinar, DateTimeImmutable $now, callable $find): void
    {
        $zone = $webinar->zone();
        $until = $now->modify("+{$webinar->schedule->ahead} days");
        $next = $webinar->sessions()->between($now, $until, $zone, $now);
        if ($next === []) {
            $find('webinar-no-session', false, "“{$webinar->name}” has no session in the next {$webinar->schedule->ahead} days: "
                .'nobody can register.');
        } elseif ($webinar->replay !== null && $webinar->replay->of($next[0], $zone, $zone) === null) {
            $find('webinar-replay-over', false, "The replay of “{$webinar->name}” is over before it opens.");
        }
    }
}
