<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Nothing that still waits to be sent to this person may go out. */
final readonly class CancelEmails implements Effect
{
    /** @param  string  $why  one sentence for the owner */
    public function __construct(public string $why)
    {
    }
}
