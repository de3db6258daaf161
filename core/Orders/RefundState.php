<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** Where a refund stands. */
enum RefundState: string
{
    case Asked = 'asked';
    case Done = 'done';
    case Failed = 'failed';
}
