<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** What it takes to have finished a guide. */
enum FinishKind: string
{
    case All = 'all';
    case Share = 'share';
    case Last = 'last';

    public function label(): string
    {
        return match ($this) {
            self::All => 'They have read every page',
            self::Share => 'They have read a share of the pages',
            self::Last => 'They have come to the last page',
        };
    }
}
