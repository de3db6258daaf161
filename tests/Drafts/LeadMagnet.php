<?php

declare(strict_types=1);

namespace Tests\Drafts;

final class LeadMagnet extends Row
{
    public static function ofKind(): string
    {
        return 'lead-magnet';
    }
}
