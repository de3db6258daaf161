<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Plan\PageRole;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Webinars\Attendee;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\WatchKind;

/** Coming to a session, and watching its replay: what is due meanwhile happens at its moment. */
final readonly class Watching
{
    public function __construct(private Stage $stage, private Passing $passing, private Attending $attending, private Visiting $visiting)
    {
    }

    /** @return string|null why it is not possible */
    public function attend(Life $life, Choice $choice): ?string
    {
        $webinar = $choice->of === '' ? (string) array_key_first($life->seats) : $choice->of;
        $attendee = Attending::attendee($this->stage, $life, $webinar);
        $registered = $life->person->registrations()[$webinar] ?? null;
        if ($attendee === null || $registered === null || $registered->waiting) {
            return 'They have no place in a session.';
        }
        if (! $attendee->open) {
            return 'Their session is over.';
        }
        if (! $registered->session->isOnDemand()) {
            $this->passing->until($life, max($life->now, $registered->session->startsAt));
        }
        $begins = $registered->session->isOnDemand() ? $life->now : $registered->session->startsAt;
        $from = $life->now->getTimestamp() - $begins->getTimestamp();
        if ($from >= $attendee->room->length) {
            return 'Their session is over.';
        }
        $room = $this->stage->plan->pageOf(PageRole::Room);
        $life->use($life->browser()->withSeat($webinar));
        if ($room !== null) {
            $this->visiting->come($life, $room->id);
        }
        $until = min($attendee->room->length, $from + max(1, $choice->minutes) * 60);
        $this->watch($life, $webinar, WatchKind::Live, $attendee, $from, $until);

        return null;
    }

    /** @return string|null likewise */
    public function replay(Life $life, Choice $choice): ?string
    {
        $webinar = $choice->of === '' ? (string) array_key_first($life->seats) : $choice->of;
        $attendee = Attending::attendee($this->stage, $life, $webinar);
        $page = $this->stage->plan->pageOf(PageRole::Replay);
        if ($attendee === null || $page === null) {
            return 'There is no replay for them.';
        }
        $life->use($life->browser()->withSeat($webinar));
        $this->visiting->come($life, $page->id);
        if ($life->page !== $page->id || $attendee->replay($life->now) !== ReplayState::Open) {
            return $life->page === $page->id ? 'The replay is not open for them.' : null;
        }
        $this->watch($life, $webinar, WatchKind::Replay, $attendee, 0, min($attendee->room->length, max(1, $choice->minutes) * 60));

        return null;
    }

    /** Second by second as far as it matters: what comes true does so at its second. */
    private function watch(Life $life, string $webinar, WatchKind $kind, Attendee $attendee, int $from, int $until): void
    {
        $offer = $kind === WatchKind::Replay ? $attendee->room->webinar->offer?->second : $attendee->room->offerAt();
        // The offer is seen by whoever is there in its second; a replay counts as watched from its first minute on.
        $stops = array_values(array_filter([$offer === null ? null : $offer + 1, $kind === WatchKind::Replay ? 60 : null],
            fn (?int $s): bool => $s !== null && $s > $from && $s < $until));
        sort($stops);
        $began = $life->now->modify("-{$from} seconds");
        foreach ([...$stops, $until] as $second) {
            $this->passing->until($life, $began->modify("+{$second} seconds"));
            $this->attending->plays($life, $webinar, $kind, $from, $second);
        }
    }
}
