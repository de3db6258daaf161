<?php

declare(strict_types=1);

namespace Tests\Drafts;

final class Email extends Row
{
    public static function ofKind(): string
    {
        return 'email';
    }
}
