<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Write a note of the person, for the owner alone. */
final readonly class WriteNote implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $words)
    {
    }
}
