<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

use DateTimeImmutable;

/** That somebody is in a sequence, or was. */
final readonly class Enrolment
{
    /**
     * @param  DateTimeImmutable  $startedAt  when they entered it, the last time
     * @param  int  $run  the how-manieth time, from 1
     * @param  bool  $ended  have they left it, or was it ended for them? Whoever had its last email is still in it.
     * @param  string  $variant  the letter they got when they entered it, where its timing was in a split test; '' where it was not
     */
    public function __construct(public DateTimeImmutable $startedAt, public int $run = 1, public bool $ended = false,
        public string $variant = '')
    {
    }
}
