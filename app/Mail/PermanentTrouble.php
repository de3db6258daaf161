<?php

declare(strict_types=1);

namespace App\Mail;

use RuntimeException;

/** The provider will never take this message. */
final class PermanentTrouble extends RuntimeException
{
}
