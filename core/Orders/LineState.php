<?php

declare(strict_types=1);

namespace Lantern\Core\Orders;

/** Where a line of an order stands. */
enum LineState: string
{
    /** Somebody is paying for it: its place is kept for them. */
    case Held = 'held';
    case Bought = 'bought';
    /** Not paid for; its place is free again. */
    case Failed = 'failed';
    /** All of its money went back, and access ended: its place is free again. */
    case Returned = 'returned';

    /** @return list<self> those whose place is taken */
    public static function taken(): array
    {
        return [self::Held, self::Bought];
    }
}
