<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

use DateTimeImmutable;

/** May a message go out? Yes; no, and why; or not before a moment. */
final readonly class SendVerdict
{
    private function __construct(public ?string $cancel = null, public ?DateTimeImmutable $later = null)
    {
    }

    public static function go(): self
    {
        return new self;
    }

    /** @param  string  $why  one sentence for the owner */
    public static function cancel(string $why): self
    {
        return new self($why);
    }

    public static function later(DateTimeImmutable $when): self
    {
        return new self(later: $when);
    }

    public function goes(): bool
    {
        return $this->cancel === null && $this->later === null;
    }
}
