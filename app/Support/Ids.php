<?php

declare(strict_types=1);

namespace App\Support;

use DateTimeInterface;
use Illuminate\Support\Str;

final class Ids
{
    /** A new id as all our records have it: a ULID in small letters. */
    public static function next(): string
    {
        return strtolower((string) Str::ulid());
    }

    /** The same before the framework starts. */
    public static function at(DateTimeInterface $now): string
    {
        $digits = '0123456789abcdefghjkmnpqrstvwxyz';
        $id = '';
        for ($ms = (int) $now->format('Uv'), $i = 0; $i < 10; $i++, $ms >>= 5) {
            $id = $digits[$ms & 31].$id;
        }
        foreach (str_split(random_bytes(16)) as $byte) {
            $id .= $digits[ord($byte) & 31];
        }

        return $id;
    }

    public static function is(string $id): bool
    {
        return preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/D', $id) === 1;
    }
}
