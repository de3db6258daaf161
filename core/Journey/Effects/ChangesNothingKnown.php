<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** An effect after which nothing is known of the person that a decision asks for. */
trait ChangesNothingKnown
{
    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person;
    }
}
