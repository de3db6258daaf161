<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use Carbon\CarbonImmutable;

/** May a message go out? Yes; no, and why; or not before a moment. */
final readonly class SendVerdict
{
    private function __construct(public ?string $cancel = null, public ?CarbonImmutable $later = null)
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

    public static function later(CarbonImmutable $when): self
    {
        return new self(later: $when);
    }
}
