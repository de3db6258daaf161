<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use Collator;
use Transliterator;

/** Names as somebody looks for them, and the order in which a language has them. */
final class Names
{
    /** Of a sort key; what differs only after that many bytes stands in no order. */
    private const LONGEST_KEY = 60;

    private const KEPT = 20;

    private static ?Transliterator $folds = null;

    /** @var array<string, Collator> by locale: to make one takes longer than to use it */
    private static array $collators = [];

    /** In small letters without marks, so that "Muller" finds "Müller" and "Łucja" is found by "lucja". */
    public static function folded(string $text): string
    {
        if (! preg_match('/[^\x00-\x7f]/', $text)) {
            return strtolower($text);
        }
        self::$folds ??= Transliterator::create('NFD; [:Nonspacing Mark:] Remove; NFC; Latin-ASCII; Lower');
        $folded = self::$folds?->transliterate($text);

        return is_string($folded) ? $folded : mb_strtolower($text);
    }

    /**
     * What a database sorts names by, as the language sorts them (CLDR's collation): a text in hexadecimal digits.
     *
     * @param  string  $locale  a BCP 47 tag
     */
    public static function sortKey(string $name, string $locale): string
    {
        $key = trim($name) === '' ? '' : self::collator($locale)->getSortKey(trim($name));

        return bin2hex(substr($key, 0, self::LONGEST_KEY));
    }

    private static function collator(string $locale): Collator
    {
        if (count(self::$collators) >= self::KEPT) {
            self::$collators = [];
        }

        return self::$collators[$locale] ??= new Collator(str_replace('-', '_', $locale));
    }
}
