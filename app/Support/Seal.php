<?php

declare(strict_types=1);

namespace App\Support;

/**
 * Seals of links, tickets and cookies: each with a purpose, under a key of its own that follows from the application's. What was
 * sealed by an earlier release goes on holding.
 */
final class Seal
{
    /** Goes up when the way in which seals are made changes. */
    public const VERSION = 2;

    /** @param  int  $length  hexadecimal digits, 64 at most */
    public static function of(SealPurpose $purpose, string $what, int $length = 40): string
    {
        return self::made(self::VERSION, $purpose, $what, $length);
    }

    /** Is it the seal of this, by this release or by an earlier one? */
    public static function holds(SealPurpose $purpose, string $what, mixed $seal, int $length = 40): bool
    {
        if (! is_string($seal)) {
            return false;
        }
        $holds = false;
        foreach (range(1, self::VERSION) as $version) {
            // All are tried, so that the time it takes tells nothing.
            $holds = hash_equals(self::made($version, $purpose, $what, $length), $seal) || $holds;
        }

        return $holds;
    }

    private static function made(int $version, SealPurpose $purpose, string $what, int $length): string
    {
        $key = Setting::text('app.key');
        $seal = $version === 1
            // Emails had no purpose of their own.
            ? hash_hmac('sha256', $purpose === SealPurpose::Mail ? $what : "{$purpose->value}|{$what}", $key)
            : hash_hmac('sha256', $what, hash_hkdf('sha256', $key, 32, "lantern|{$version}|{$purpose->value}"));

        return substr($seal, 0, $length);
    }
}
