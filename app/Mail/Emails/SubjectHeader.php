<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use Symfony\Component\Mime\Header\UnstructuredHeader;

/**
 * The subject of a message, as it was written: text that itself looks like an encoded word of RFC 2047 (`=?utf-8?Q?x?=`) is
 * encoded, so that its reader does not see what it would stand for.
 */
final class SubjectHeader extends UnstructuredHeader
{
    public function __construct(string $subject)
    {
        parent::__construct('Subject', $subject);
    }

    protected function tokenNeedsEncoding(string $token): bool
    {
        return str_contains($token, '=?') || parent::tokenNeedsEncoding($token);
    }
}
