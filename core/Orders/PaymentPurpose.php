<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** What a payment is for. */
enum PaymentPurpose: string
{
    case First = 'first';
    case Extra = 'extra';
    /** A later one of a plan. */
    case Later = 'later';
}
