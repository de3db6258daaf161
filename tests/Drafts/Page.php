<?php

declare(strict_types=1);

namespace Tests\Drafts;

final class Page extends Row
{
    public static function ofKind(): string
    {
        return 'page';
    }
}
