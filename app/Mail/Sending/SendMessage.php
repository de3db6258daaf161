<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Sends one message. Safe to run twice and to die at any point: the postman claims before sending. */
final class SendMessage implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 55;

    public function __construct(public readonly string $message)
    {
    }

    public function handle(MessageSender $postman): void
    {
        $postman->send($this->message);
    }
}
