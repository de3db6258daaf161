<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;

/** Send the receipt of an order at a moment. One that is planned already goes at the earlier of both. */
final readonly class SendReceipt implements EffectOfOrder
{
    use ChangesNothingKnown;

    public function __construct(public DateTimeImmutable $at)
    {
    }
}
