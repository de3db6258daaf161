<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** Tells programs that read pages from people who do, by the name they give themselves. */
final class Bots
{
    private const MARKS = '~bot\b|bot[/;) ]|crawl|spider|slurp|preview|fetch|scan|monitor|headless|lighthouse|curl/|wget/|python-|java/|'
        .'libwww|okhttp|go-http|axios|http-?client|feed|archiv~i';

    /** A browser that gives no name at all is taken for a program too. */
    public static function is(?string $userAgent): bool
    {
        return $userAgent === null || trim($userAgent) === '' || preg_match(self::MARKS, $userAgent) === 1;
    }
}
