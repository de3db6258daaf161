<?php

declare(strict_types=1);

namespace App\Payments;

/**
 * A call of the provider's: something happened to the payment of this key. What it was is asked of the provider, never believed
 * of a call.
 */
final readonly class ProviderCall
{
    /**
     * @param  string  $id  of the call: one that comes twice has the same
     * @param  string  $key  ours, of the payment
     */
    public function __construct(public string $id, public string $key)
    {
    }
}
