<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Hosts;
use Carbon\CarbonImmutable;

/**
 * Tells the site's host that this browser is the owner's, so that their visits count nowhere. No cookie is shared between
 * the hosts: the Studio signs a link, good for a minute, that leads by the site's host to the page.
 */
final class HandOver
{
    private const SECONDS = 60;

    /** @param  string  $path  on the site, such as `/practice-plan` */
    public static function link(string $path, CarbonImmutable $now): string
    {
        $until = $now->addSeconds(self::SECONDS)->getTimestamp();

        return Hosts::site().'/h?'.http_build_query(['to' => $path, 'until' => $until, 'key' => self::key($path, $until)]);
    }

    /** The path it leads to; null for a link that is not ours or has run out. */
    public static function read(mixed $to, mixed $until, mixed $key, CarbonImmutable $now): ?string
    {
        if (! is_string($to) || ! self::isPath($to) || ! is_string($until) || ! is_string($key)
            || preg_match('/^\d{1,12}$/D', $until) !== 1) {
            return null;
        }

        return hash_equals(self::key($to, (int) $until), $key) && (int) $until >= $now->getTimestamp() ? $to : null;
    }

    /** Is it a path of a public page, and no address that leads elsewhere? */
    public static function isPath(string $to): bool
    {
        return preg_match('~^/[a-z0-9-]{1,60}(/[a-z0-9-]{1,60})?$~D', $to) === 1;
    }

    private static function key(string $to, int $until): string
    {
        return hash_hmac('sha256', "hand over|{$to}|{$until}", (string) config('app.key'));
    }
}
