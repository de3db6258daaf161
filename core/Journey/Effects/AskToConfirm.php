<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Ask the person to confirm their address; nothing else follows before they have. */
final readonly class AskToConfirm implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $form)
    {
    }
}
