<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use RuntimeException;
use Throwable;

/** The provider will never take this message. With `badAddress` it would not take any other to this address either. */
final class PermanentTrouble extends RuntimeException
{
    public function __construct(string $message, public readonly bool $badAddress = false, ?Throwable $previous = null)
    {
        parent::__construct($message, previous: $previous);
    }
}
