<?php

declare(strict_types=1);

namespace App\Webhooks;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes one call to an owner's web address. Safe to run twice: the call is claimed first. */
final class CallHook implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 40;

    /** Other people's servers may be slow: workers come to this queue when no mail and no list waits. */
    public const QUEUE = 'outside';

    public function __construct(public readonly string $call)
    {
        $this->onQueue(self::QUEUE);
    }

    public function handle(Webhooks $hooks): void
    {
        $hooks->make($this->call);
    }
}
