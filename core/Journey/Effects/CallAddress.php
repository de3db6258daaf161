<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Tell a web address of the owner that a rule has acted for the person. */
final readonly class CallAddress implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $url, public string $rule)
    {
    }
}
