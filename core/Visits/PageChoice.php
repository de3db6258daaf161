<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use DateTimeImmutable;
use Lantern\Core\Plan\PageRole;

/**
 * Which page a visitor gets: the one place where it is decided, for looking at a page and for whatever is sent from it.
 *
 * In this order: whether the funnel is open; which page stands at the address; whether it is for buyers; whether a deadline leads
 * elsewhere. While a funnel is closed every address shows its closed page; whoever has left their address there may see where that
 * leads, whoever has a place in a session keeps their room, their replay and their confirmation, and whoever has joined to read a
 * guide reads it to its end.
 */
final class PageChoice
{
    public static function of(PageRequest $request, DateTimeImmutable $now): PageAnswer
    {
        return match ($request->opening->at($now)) {
            Openness::NotPublished => PageAnswer::say(PageNotice::NotHere),
            Openness::Early => self::whileClosed($request, PageNotice::NotOpenYet),
            Openness::Closed => self::whileClosed($request, PageNotice::Closed),
            Openness::Open => self::whileOpen($request),
        };
    }

    private static function whileOpen(PageRequest $request): PageAnswer
    {
        $page = $request->asked;
        if ($page === null) {
            return $request->movedTo === null ? PageAnswer::say(PageNotice::NotHere) : PageAnswer::moved($request->movedTo);
        }

        return $request->act === PageAct::Decline && $page->role->isExtraOffer() ? PageAnswer::show($page)
            : self::refused($page, $request) ?? self::guarded($page, $request);
    }

    private static function whileClosed(PageRequest $request, PageNotice $otherwise): PageAnswer
    {
        $page = self::kept($request) ?? $request->closedPage;
        if ($page === null) {
            return PageAnswer::say($otherwise);
        }
        // A closed page may gather addresses; anything else that is sent comes too late.
        if ($request->act === PageAct::Buy || ($request->act === PageAct::Form && ! in_array($request->form, $page->forms, true))) {
            return PageAnswer::say(PageNotice::Closed);
        }

        return self::refused($page, $request) ?? PageAnswer::show($page, true);
    }

    /** What somebody may still see while a funnel is closed. */
    private static function kept(PageRequest $request): ?SitePage
    {
        $role = $request->asked?->role;
        $place = $request->registered && in_array($role, [PageRole::Room, PageRole::Replay, PageRole::Confirmation], true);
        $guide = $request->reads && $role === PageRole::Guide;
        $led = $request->closedPage !== null && $request->joinedOn === $request->closedPage->id
            && in_array($role, [PageRole::ThankYou, PageRole::Confirmation], true);

        return $place || $guide || $led ? $request->asked : null;
    }

    private static function refused(SitePage $page, PageRequest $request): ?PageAnswer
    {
        return $page->products !== [] && array_intersect($page->products, $request->products) === []
            ? PageAnswer::say(PageNotice::ForBuyers) : null;
    }

    /** A checkout has its grace, and its own word where it comes too late; anything else is led on like a visit. */
    private static function guarded(SitePage $page, PageRequest $request): PageAnswer
    {
        if ($request->guards === null || $request->unguarded || $request->act === PageAct::Buy) {
            return PageAnswer::show($page);
        }
        $place = $request->guards->page($page->id, $request->states);

        return match (true) {
            $place->page === $page->id => PageAnswer::show($page),
            $place->page === null && $place->url === null => PageAnswer::say(PageNotice::TimeIsUp),
            default => PageAnswer::lead($place),
        };
    }
}
