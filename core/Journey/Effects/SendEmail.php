<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;

/** Send an email of the funnel at a moment (UTC); the present moment means at once. */
final readonly class SendEmail implements Effect
{
    public function __construct(public string $email, public DateTimeImmutable $at)
    {
    }
}
