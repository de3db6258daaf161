<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Models\Message;
use App\People\Privacy\WritesEmails;

/** Messages for the archive of a person. */
final class WrittenMessages implements WritesEmails
{
    public function written(Message $message): array
    {
        return [Eml::name($message), Eml::of($message)];
    }
}
