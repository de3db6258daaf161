<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Models\Message;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** The outbox reports that a reader complained, some time after it took the message, as a real provider does. */
final class ReportBack implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public function __construct(public readonly string $message)
    {
    }

    public function handle(Feedback $feedback): void
    {
        $message = Message::query()->with('person.business')->find($this->message);
        if ($message !== null) {
            $feedback->complained($message);
        }
    }
}
