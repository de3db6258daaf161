<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;

/** What a rule waits for has happened to the person: it acts at its moment, if it holds then. */
final readonly class BeginRule implements Effect
{
    use ChangesNothingKnown;

    /**
     * @param  string  $rule  the id of the rule
     * @param  string  $funnel  the id of the funnel it is a part of; '' for one of the whole business
     * @param  DateTimeImmutable  $due  in UTC; the present moment means at once
     * @param  string  $why  what happened, in one sentence for the owner
     * @param  bool  $eachTime  does it act each time, or once for each person?
     * @param  bool  $atOnce  does it wait for nothing?
     */
    public function __construct(public string $rule, public string $funnel, public DateTimeImmutable $due, public string $why,
        public bool $eachTime, public bool $atOnce = true)
    {
    }
}
