<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** Something that follows from an event, for the shell to carry out. */
interface Effect
{
    /** What is known of somebody once it has happened to them, so that what is decided next can follow from it in memory. */
    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState;
}
