<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * Who follows a link in an email: a person, or a program that looks links over before or after it is delivered. Told apart by
 * what is asked for and how; where that leaves a doubt, nothing that cannot be taken back may begin.
 */
enum ClickedBy
{
    case Person;
    case Program;
    case Unsure;

    /** Whoever comes so soon after an email went out has not read it. Seconds. */
    public const AT_ONCE = 5;

    /** Nobody follows so many links of one email within {@see self::AT_ONCE}. */
    public const MANY_LINKS = 3;

    /**
     * @param  array<string, string>  $headers  of the request, by their names in small letters
     * @param  int|null  $sinceSent  seconds since the email went out; null where that is not known
     * @param  int  $justNow  how many links of the same email were followed within the last {@see self::AT_ONCE} seconds, this one included
     */
    public static function of(string $method, array $headers, ?int $sinceSent, int $justNow = 1): self
    {
        $purpose = strtolower(($headers['sec-purpose'] ?? '').($headers['purpose'] ?? '').($headers['x-moz'] ?? ''));
        if ($method !== 'GET' || Bots::is($headers['user-agent'] ?? null) || $purpose !== '') {
            return self::Program;
        }
        // Every browser of today says that it goes to a page because somebody asked it to, and which languages they read.
        $asked = ($headers['sec-fetch-mode'] ?? '') === 'navigate' && ($headers['sec-fetch-dest'] ?? '') === 'document'
            && ($headers['sec-fetch-user'] ?? '') === '?1';

        return $asked && trim($headers['accept-language'] ?? '') !== '' && ($sinceSent === null || $sinceSent >= self::AT_ONCE)
            && $justNow < self::MANY_LINKS ? self::Person : self::Unsure;
    }
}
