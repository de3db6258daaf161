<?php

declare(strict_types=1);

namespace App\Orders;

use Lantern\Core\Offers\Standing;
use RuntimeException;

/** What somebody wants to buy cannot be bought by them now. Nothing was charged, and nothing is kept. */
final class NotForSale extends RuntimeException
{
    private function __construct(public readonly ?Standing $standing, public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    public static function standing(Standing $standing): self
    {
        return new self($standing, '', $standing->sentence());
    }

    /** @param  string  $field  of the checkout that it is about */
    public static function because(string $field, string $sentence): self
    {
        return new self(null, $field, $sentence);
    }
}
