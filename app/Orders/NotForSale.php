<?php

declare(strict_types=1);

namespace App\Orders;

use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Availability;
use RuntimeException;

/** What somebody wants to buy cannot be bought by them now. Nothing was charged, and nothing is kept. */
final class NotForSale extends RuntimeException
{
    private function __construct(public readonly ?Availability $availability, public readonly string $field, public readonly Phrase $why)
    {
        parent::__construct($why->key);
    }

    public static function availability(Availability $availability): self
    {
        return new self($availability, '', $availability->sentence());
    }

    /** @param  string  $field  of the checkout that it is about */
    public static function because(string $field, Phrase $why): self
    {
        return new self(null, $field, $why);
    }
}
