<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use Locale;
use ResourceBundle;

/** The languages that can be chosen, and the ways in which dates, numbers and money are written; both as ICU knows them. */
final class Languages
{
    /** Those that are not written alike everywhere, beside what ICU names by the language alone. */
    private const VARIETIES = ['en-GB', 'en-US', 'es-419', 'fr-CA', 'pt-BR', 'pt-PT', 'zh-Hans', 'zh-Hant'];

    /** Those in which the application itself speaks to visitors: each has its phrases in `lang/`. */
    public const SPOKEN = ['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'pl', 'he'];

    /** Those of them in which somebody is spoken to in two ways. */
    public const TWO_WAYS = ['de', 'fr', 'es', 'it', 'nl', 'pl'];

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

    /** What it is called in English, such as "German (formal)", for its owner. */
    public static function name(string $tag): string
    {
        $language = Language::of($tag);

        return Locale::getDisplayName(str_replace('-', '_', $language->plain()), 'en').($language->isFormal() ? ', formal' : '');
    }

    /** Is there such a language, and are there two ways of speaking in it where a formal one is meant? */
    public static function isKnown(string $tag): bool
    {
        $language = Language::of($tag);

        return $language->tag === $tag && in_array($language->plain(), self::tags(), true)
            && (! $language->isFormal() || in_array($language->base(), self::TWO_WAYS, true));
    }

    /** Does the application itself speak it? Where it does not, it speaks English. */
    public static function isSpoken(string $tag): bool
    {
        return in_array(Language::of($tag)->base(), self::SPOKEN, true);
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
