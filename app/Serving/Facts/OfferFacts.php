<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** How many have an offer or are paying for it, and whether this visitor is known to. */
final readonly class OfferFacts
{
    public function __construct(public int $taken, public bool $has)
    {
    }
}
