<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** How whoever works in the Studio at this moment reads dates, numbers and money. */
final class OwnerLocale
{
    /** A BCP 47 tag; where nobody is signed in, such as in a command, that of a new business. */
    public static function now(): string
    {
        $user = Auth::user();

        return $user instanceof User ? $user->business->locale : 'en-GB';
    }
}
