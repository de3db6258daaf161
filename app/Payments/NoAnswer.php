<?php

declare(strict_types=1);

namespace App\Payments;

use RuntimeException;

/** The payment provider did not answer: whether it did what was asked is found out later, by the key. */
final class NoAnswer extends RuntimeException
{
}
