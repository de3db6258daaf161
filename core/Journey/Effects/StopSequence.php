<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** The person leaves a sequence: what of it still waits for them is not sent. */
final readonly class StopSequence implements Effect
{
    /** @param  string  $why  one sentence for the owner */
    public function __construct(public string $sequence, public string $why)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->outOfSequence($this->sequence);
    }
}
