<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\People\State\PersonState;

/** A deadline begins for the person, or for the browser of a stranger. */
final readonly class StartDeadline implements Effect
{
    /** @param  bool  $anew  did it run before? */
    public function __construct(public string $deadline, public Run $run, public bool $anew = false)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->withDeadline($this->deadline, $this->run);
    }
}
