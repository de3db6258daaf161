<?php

declare(strict_types=1);

namespace Tests\Drafts;

final class SharedSection extends Row
{
    public static function ofKind(): string
    {
        return 'shared-section';
    }
}
