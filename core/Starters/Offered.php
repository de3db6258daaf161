<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Offers\Offer;

/** An offer of a funnel with the name that buyers read. */
final readonly class Offered
{
    public function __construct(public Offer $offer, public string $name)
    {
    }
}
