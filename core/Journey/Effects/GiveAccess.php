<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** The person may open what a product holds, without an order. They have not bought it. */
final readonly class GiveAccess implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $product)
    {
    }
}
