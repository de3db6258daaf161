<?php

declare(strict_types=1);

namespace App\Payments;

/** What became of a refund: it is on its way to the buyer, or was refused. */
final readonly class RefundAnswer
{
    /** @param  string  $trouble  why it was refused, as one sentence for the owner; '' when it was not */
    public function __construct(public bool $done, public int $amount, public string $trouble = '')
    {
    }
}
