<?php

declare(strict_types=1);

namespace App\Rendering;

/** For whom a page is drawn. */
enum Mode
{
    /** For visitors: with slots for what is personal. */
    case Visitor;

    /** For the desk: with marks that say which words belong to which block, and no script. */
    case Desk;

    public function editing(): bool
    {
        return $this === self::Desk;
    }
}
