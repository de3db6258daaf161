<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

use DateTimeImmutable;

/** When a message that is planned is handed to a worker. */
final class Queue
{
    /**
     * What is due goes at once if the minute has room for it; else it waits its turn with all others.
     *
     * @param  int  $quotaLeft  how many more messages of its kind may be queued within this minute
     */
    public static function isAtOnce(DateTimeImmutable $due, int $quotaLeft, DateTimeImmutable $now): bool
    {
        return $due <= $now && $quotaLeft > 0;
    }
}
