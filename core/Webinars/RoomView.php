<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** What a room shows to one person at a moment. */
final readonly class RoomView
{
    /**
     * @param  'cancelled'|'waiting'|'closed'|'opening'|'on'|'over'  $state
     * @param  int  $second  to be played next
     * @param  int  $beginsIn  seconds until it should begin
     * @param  int|null  $offerAt  the second at which the offer appears; null where none is to be shown
     * @param  bool  $offer  is it in sight by now?
     * @param  bool  $offerIsFresh  has it only just appeared, and was not told to have been seen yet?
     * @param  bool  $poll  is there anything to be voted upon together?
     * @param  bool|null  $attended  once it is over: have they attended? Null before.
     */
    public function __construct(
        public string $state,
        public int $second,
        public int $beginsIn,
        public ?int $offerAt,
        public bool $offer,
        public bool $offerIsFresh,
        public bool $poll,
        public ?bool $attended,
    ) {
    }
}
