<?php

declare(strict_types=1);

namespace Lantern\Core\Selling;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineStates;

/** What is known when it is asked whether somebody may buy an offer. */
final readonly class SaleFacts
{
    /**
     * @param  DateTimeZone  $zone  the owner's, in which the window of an offer is told
     * @param  int  $taken  places that are sold, or held by somebody who is paying
     * @param  bool  $has  has this person bought it before, and not got all of their money back?
     * @param  list<Deadline>  $deadlines  of the funnel
     * @param  DeadlineStates|null  $states  how those stand for them; null for the owner, who tries it out
     * @param  DateTimeImmutable|null  $openSince  when the checkout it comes from was shown to them; null where there is none
     */
    public function __construct(
        public DateTimeZone $zone,
        public int $taken = 0,
        public bool $has = false,
        public array $deadlines = [],
        public ?DeadlineStates $states = null,
        public ?DateTimeImmutable $openSince = null,
    ) {
    }
}
