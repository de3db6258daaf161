<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** The person leaves a sequence: what of it still waits for them is not sent. */
final readonly class StopSequence implements Effect
{
    /** @param  string  $why  one sentence for the owner */
    public function __construct(public string $sequence, public string $why)
    {
    }
}
