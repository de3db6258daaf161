<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Give the person their own right to a lead magnet: to download its file, and to read its guide. */
final readonly class DeliverFile implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $leadMagnet)
    {
    }
}
