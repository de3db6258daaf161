<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * What is usual in the trade: rules of thumb, wide as they are. A plain opt-in page turns thirty to forty of a hundred visitors into
 * subscribers; of a hundred strangers one to three buy at once; of those who registered about a third come; about half of those who
 * open a checkout go through with it.
 */
final readonly class Usual
{
    private function __construct(public float $low, public float $high)
    {
    }

    public static function of(StepKind $kind): ?self
    {
        return match ($kind) {
            StepKind::Join => new self(0.30, 0.40),
            StepKind::BuyAtOnce => new self(0.01, 0.03),
            StepKind::Attend => new self(0.30, 0.45),
            StepKind::Pay => new self(0.40, 0.60),
            StepKind::Confirm => new self(0.70, 0.85),
            StepKind::GoOn => null,
        };
    }

    public function middle(): float
    {
        return ($this->low + $this->high) / 2;
    }
}
