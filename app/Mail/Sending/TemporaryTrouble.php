<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use RuntimeException;

/** The provider cannot take a message now; later it may. */
final class TemporaryTrouble extends RuntimeException
{
}
