<?php

declare(strict_types=1);

namespace App\Serving;

/** The headers of a published page, whichever way it is answered. */
final class PageHeaders
{
    /** Nobody but its visitor's own browser may keep it, and that asks each time. */
    public const PERSONAL = 'no-cache, private';

    /** Something of it began or stands for this visitor alone: nobody keeps it. */
    public const NOT_KEPT = 'no-store, private';

    /** Where it was asked for over https: a year. */
    public const STRICT_TRANSPORT = 'max-age=31536000';

    /** @return array<string, string> without who may keep it */
    public static function of(PagePolicy $policy): array
    {
        return $policy->headers() + ['Content-Type' => 'text/html; charset=utf-8', 'Vary' => 'Accept-Encoding'];
    }

    /**
     * Of a page without anything personal: a cache in front may hold it for some seconds, browsers ask each time whether it has changed.
     *
     * @return array<string, string>
     */
    public static function shared(string $tag, int $seconds): array
    {
        return ['Cache-Control' => "max-age=0, must-revalidate, public, s-maxage={$seconds}", 'ETag' => $tag];
    }

    /** What a page is known by: it changes with any of its text, and is the same however it is packed. */
    public static function tag(string $html): string
    {
        return 'W/"'.hash('xxh128', $html).'"';
    }

    /** Does a browser, or a cache, have it already? */
    public static function isKnown(string $tag, ?string $ifNoneMatch): bool
    {
        $bare = fn (string $t): string => str_starts_with($t, 'W/') ? substr($t, 2) : $t;
        $known = array_map(fn (string $t): string => $bare(trim($t)), explode(',', $ifNoneMatch ?? ''));

        return in_array($bare($tag), $known, true) || in_array('*', $known, true);
    }

    /** Does whoever asks unpack what is packed (RFC 9110, 12.5.3)? */
    public static function takesPacked(?string $acceptEncoding): bool
    {
        foreach (explode(',', strtolower($acceptEncoding ?? '')) as $one) {
            [$name, $quality] = [...array_map(trim(...), explode(';', $one, 2)), ''];
            if ($name === 'gzip' && preg_match('/^q\s*=\s*0(\.0{0,3})?$/D', $quality) !== 1) {
                return true;
            }
        }

        return false;
    }
}
