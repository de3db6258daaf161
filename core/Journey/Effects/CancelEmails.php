<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** Nothing that still waits to be sent to this person may go out. */
final readonly class CancelEmails implements Effect
{
    /** @param  string  $why  one sentence for the owner */
    public function __construct(public string $why)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->outOfSequences();
    }
}
