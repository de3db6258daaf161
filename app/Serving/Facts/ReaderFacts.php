<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** Somebody of whom it is proven that they read the emails of their address. */
final readonly class ReaderFacts
{
    public function __construct(public string $person, public string $email, public string $firstName, public string $fullName)
    {
    }
}
