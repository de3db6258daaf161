<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** One thing that holds for a person or does not: a rule, or a group of them. */
interface Condition
{
    public function holds(PersonState $person, DateTimeImmutable $now): bool;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
