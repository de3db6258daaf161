<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** An own field of the person gets another value; '' empties it. */
final readonly class ChangeField implements Effect
{
    public function __construct(public string $field, public string $value)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->withFields([$this->field => $this->value === '' ? [] : [$this->value]]);
    }
}
