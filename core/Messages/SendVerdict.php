<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

use DateTimeImmutable;

/** May a message go out? Yes; no, and why; or not before a moment. */
final readonly class SendVerdict
{
    /**
     * @param  string|null  $cancel  why it does not go, in one sentence for the owner
     * @param  DateTimeImmutable|null  $later  when it is looked at again
     * @param  LateSession|null  $tell  what the owner is to be told of it
     */
    private function __construct(public ?string $cancel = null, public ?DateTimeImmutable $later = null, public ?LateSession $tell = null)
    {
    }

    public static function go(): self
    {
        return new self;
    }

    /** @param  string  $why  one sentence for the owner */
    public static function cancel(string $why, ?LateSession $tell = null): self
    {
        return new self($why, null, $tell);
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
