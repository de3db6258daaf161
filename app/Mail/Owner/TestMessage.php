<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\WrittenEmail;
use App\Models\Message;

/** An email to be looked at, to the owner: it was written out when it was asked for. */
final class TestMessage extends KindOfMessage
{
    public function source(Message $message): ?EmailSource
    {
        return null;
    }

    public function written(Message $message): WrittenEmail
    {
        return new WrittenEmail((string) ($message->content['subject'] ?? ''), (string) ($message->content['html'] ?? ''),
            (string) ($message->content['text'] ?? ''));
    }

    public function isForPerson(): bool
    {
        return false;
    }
}
