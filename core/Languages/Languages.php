<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use ResourceBundle;

/** The languages that can be chosen, and the ways in which dates, numbers and money are written; both as ICU knows them. */
final class Languages
{
    /** Those that are not written alike everywhere, beside what ICU names by the language alone. */
    private const VARIETIES = ['en-GB', 'en-US', 'es-419', 'fr-CA', 'pt-BR', 'pt-PT', 'zh-Hans', 'zh-Hant'];

    /** @return list<string> BCP 47 tags, such as `de` and `pt-BR` */
    public static function tags(): array
    {
        $tags = [...self::known('/^[a-z]{2,3}$/'), ...self::VARIETIES];
        sort($tags);

        return $tags;
    }

    /**
     * The ways in which somebody may read dates, numbers and money: a language with the place where it is read.
     *
     * @return list<string> BCP 47 tags, such as `en-GB` and `zh-Hant-TW`
     */
    public static function locales(): array
    {
        return self::known('/^[a-z]{2,3}(_[A-Z][a-z]{3})?_[A-Z]{2}$/');
    }

    public static function isLocale(string $tag): bool
    {
        return in_array($tag, self::locales(), true);
    }

    /** @return list<string> */
    private static function known(string $like): array
    {
        /** @var array<string, list<string>> $found by pattern: ICU's list is long */
        static $found = [];

        return $found[$like] ??= array_values(array_map(fn (string $l): string => str_replace('_', '-', $l), array_filter(
            ResourceBundle::getLocales('') ?: [], fn (mixed $l): bool => is_string($l) && preg_match($like, $l) === 1)));
    }
}
