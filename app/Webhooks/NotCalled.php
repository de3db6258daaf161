<?php

declare(strict_types=1);

namespace App\Webhooks;

use RuntimeException;

/** An address is not called, and the message says why. */
final class NotCalled extends RuntimeException
{
}
