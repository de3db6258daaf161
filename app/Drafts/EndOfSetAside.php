<?php

declare(strict_types=1);

namespace App\Drafts;

/** What an owner decides of something that was set aside. */
enum EndOfSetAside: string
{
    case Take = 'take';
    case Discard = 'discard';
    /** As if nothing had been decided yet. */
    case Undo = 'undo';
}
