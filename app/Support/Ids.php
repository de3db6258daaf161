<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;

final class Ids
{
    /** A new id as all our records have it: a ULID in small letters. */
    public static function next(): string
    {
        return strtolower((string) Str::ulid());
    }

    public static function is(string $id): bool
    {
        return preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/D', $id) === 1;
    }
}
