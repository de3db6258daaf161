<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Tell the owner something about the person, by email. */
final readonly class TellOwnerOfPerson implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $words, public string $rule)
    {
    }
}
