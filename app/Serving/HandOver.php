<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Seal;
use App\Support\SealPurpose;
use App\Support\SiteAddress;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Lantern\Core\Support\Validity;

/**
 * Tells the site's host that this browser is the owner's, so that their visits count nowhere. No cookie is shared between
 * the hosts: the Studio signs a link that leads by the site's host to the page: good for a minute, once, and in the browser
 * that asked for it, as far as that says who it is.
 */
final class HandOver
{
    private const SECONDS = 60;

    /** @param  string  $page  the address of a page */
    public static function link(SiteAddress $site, string $page, Request $request, CarbonImmutable $now): string
    {
        $until = $now->addSeconds(self::SECONDS)->getTimestamp();
        $once = bin2hex(random_bytes(8));
        $path = $site->path($page);

        return $site->to('/h?').http_build_query(['to' => $path, 'until' => $until, 'once' => $once,
            'key' => Seal::of(SealPurpose::HandOver, self::what($path, $until, $once, $request), 64)]);
    }

    /** The path it leads to; null for a link that is not ours, is another browser's, was followed already or has run out. */
    public static function read(Request $request, CarbonImmutable $now): ?string
    {
        [$to, $until, $once, $key] = array_map(fn (string $name): string => is_string($request->query($name)) ? $request->query($name) : '',
            ['to', 'until', 'once', 'key']);
        if (! self::isPath($to) || preg_match('/^\d{1,12}$/D', $until) !== 1 || preg_match('/^[0-9a-f]{16}$/D', $once) !== 1) {
            return null;
        }

        return Seal::holds(SealPurpose::HandOver, self::what($to, (int) $until, $once, $request), $key, 64)
            && Validity::until(CarbonImmutable::createFromTimestamp((int) $until), $now->startOfSecond())
            && Cache::add("hand-over:{$once}", true, 2 * self::SECONDS) ? $to : null;
    }

    /** Is it a path of a public page, and no address that leads elsewhere? */
    public static function isPath(string $to): bool
    {
        return preg_match('~^/([a-z0-9-]{1,60}(/[a-z0-9-]{1,60})?)?$~D', $to) === 1;
    }

    private static function what(string $to, int $until, string $once, Request $request): string
    {
        $browser = $request->headers->get('User-Agent', '').'|'.$request->headers->get('Accept-Language', '');

        return "{$to}|{$until}|{$once}|".hash('sha256', $browser);
    }
}
