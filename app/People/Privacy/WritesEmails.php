<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Message;

/** A message as a file that any mail program opens. */
interface WritesEmails
{
    /** @return array{string, string} the name of the file, and what it holds (RFC 5322) */
    public function written(Message $message): array;
}
