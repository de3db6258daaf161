<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/**
 * Where a visit came from, in one short name: what the link says of itself (`utm_source`, or else `ref`), otherwise the host of the
 * page that led here. A visit that says nothing is direct, and is written as ''.
 */
final class Touch
{
    public const MOST = 60;

    /** What a link in an email of ours brings; nobody need mark those. */
    public const EMAIL = 'email';

    /**
     * @param  array<string, string>  $source  parameters of the address
     * @param  string  $referrer  the address of the page that led here, as the browser says it; hostile
     * @param  list<string>  $own  hosts of the application: going from one page to the next is no visit from elsewhere
     */
    public static function of(array $source, string $referrer = '', array $own = []): string
    {
        foreach (['utm_source', 'ref'] as $name) {
            $touch = self::clean($source[$name] ?? '');
            if ($touch !== '') {
                return $touch;
            }
        }
        $host = parse_url(substr($referrer, 0, 2000), PHP_URL_HOST);
        if (! is_string($host) || preg_match('/^[a-z0-9.-]+$/Di', $host) !== 1 || in_array(strtolower($host), $own, true)) {
            return '';
        }

        return self::clean((string) preg_replace('/^(www|m|l|out|lm)\./', '', strtolower($host)));
    }

    private static function clean(string $name): string
    {
        $name = (string) preg_replace('/[\p{C}\s]+/u', ' ', mb_scrub($name));

        return mb_substr(mb_strtolower(trim($name)), 0, self::MOST);
    }
}
