<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** The person may not open any more what a product holds, whatever gave it to them. */
final readonly class EndAccess implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $product)
    {
    }
}
