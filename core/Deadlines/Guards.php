<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/**
 * The one decision about what deadlines guard: which page a visitor gets at an address, and whether an offer can be bought.
 * Public pages, checkouts, extra offers and emails ask here.
 */
final readonly class Guards
{
    /**
     * @param  list<Deadline>  $deadlines  of the funnel
     * @param  array<string, Place>  $after  by the id of a page, where its visitors are led once their time has run out
     */
    public function __construct(private array $deadlines, private array $after)
    {
    }

    /**
     * The page that stands in place of one, perhaps by way of others that are guarded themselves. An end that has passed
     * weighs more than a start that has not come. Pages that lead in a circle lead nowhere.
     *
     * @param  array<string, DeadlineState>  $states  of the visitor, by deadline; what is not there has not started
     */
    public function page(string $page, array $states): Place
    {
        $passed = [];
        while (! isset($passed[$page])) {
            $passed[$page] = true;
            $place = $this->insteadOf($page, $states);
            if ($place === null) {
                return Place::page($page);
            }
            if ($place->page === null) {
                return $place;
            }
            $page = $place->page;
        }

        return Place::nowhere();
    }

    /**
     * May an offer be bought? Only while every deadline that guards it runs: within grace only by a checkout that was open
     * before the end, and before it has begun only where the owner leads nobody elsewhere until then.
     *
     * @param  array<string, DeadlineState>  $states  likewise
     * @param  bool  $wasOpen  does it come from a checkout that was open before the end?
     */
    public function offer(string $offer, array $states, bool $wasOpen = false): OfferAccess
    {
        $access = OfferAccess::Open;
        foreach ($this->deadlines as $deadline) {
            if (! $deadline->guardsOffer($offer)) {
                continue;
            }
            $state = $states[$deadline->id] ?? DeadlineState::NotStarted;
            if ($state === DeadlineState::Over || ($state === DeadlineState::Grace && ! $wasOpen)) {
                return OfferAccess::Over;
            }
            if ($state === DeadlineState::NotStarted && ! $deadline->isOpenBefore()) {
                $access = OfferAccess::NotBegun;
            }
        }

        return $access;
    }

    /** Where visitors of a page are led once the deadlines that guard it have passed, if they are led anywhere else. */
    public function afterwards(string $page): ?Place
    {
        $place = $this->page($page, array_fill_keys(array_map(fn (Deadline $d): string => $d->id, $this->deadlines), DeadlineState::Over));

        return $place->page === $page || ($place->page === null && $place->url === null) ? null : $place;
    }

    /** @param  array<string, DeadlineState>  $states */
    private function insteadOf(string $page, array $states): ?Place
    {
        $before = null;
        foreach ($this->deadlines as $deadline) {
            $guarded = $deadline->guardedPage($page);
            $state = $states[$deadline->id] ?? DeadlineState::NotStarted;
            if ($guarded !== null && $state->hasEnded()) {
                return $this->after[$page] ?? Place::nowhere();
            }
            if ($guarded?->before !== null && $state === DeadlineState::NotStarted) {
                $before ??= Place::page($guarded->before);
            }
        }

        return $before;
    }
}
