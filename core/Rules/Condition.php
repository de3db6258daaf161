<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

/** One thing that holds for a person or does not: a rule, or a group of them. */
interface Condition
{
    public function holds(PersonFacts $facts): bool;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
