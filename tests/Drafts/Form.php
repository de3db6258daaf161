<?php

declare(strict_types=1);

namespace Tests\Drafts;

final class Form extends Row
{
    public static function ofKind(): string
    {
        return 'form';
    }
}
