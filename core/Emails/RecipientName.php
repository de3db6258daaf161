<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

/**
 * The name beside an address in a To line. Anybody can type any name into a form together with the address of somebody else, so
 * that only what looks like a name goes there: no addresses, no web addresses, nothing long.
 */
final class RecipientName
{
    private const MOST_CHARACTERS = 60;

    /** @return string the name, or '' for what is none */
    public static function of(string $name): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        $isOne = preg_match('/^[\p{L}\p{M}\p{Zs}.,\'’\-]+$/u', $name) === 1 && mb_strlen($name) <= self::MOST_CHARACTERS
            && preg_match('/\p{L}\.\p{L}{2,}/u', $name) !== 1;

        return $isOne ? $name : '';
    }
}
