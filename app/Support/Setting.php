<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The few settings that an answer to a visitor needs. They are read from the framework's configuration, or, where a page is answered
 * before the framework starts, from what was given.
 */
final class Setting
{
    /** @var array<string, mixed>|null by the framework's names, such as `lantern.site_url` */
    private static ?array $given = null;

    /** @param  array<string, mixed>|null  $settings  null: from now on the framework's own */
    public static function give(?array $settings): void
    {
        self::$given = $settings;
    }

    public static function text(string $name): string
    {
        $value = self::$given === null ? config($name) : self::$given[$name] ?? null;

        return is_scalar($value) ? (string) $value : '';
    }
}
