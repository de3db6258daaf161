<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Lantern\Core\Domains\HostRole;

/**
 * The two hosts: the Studio answers on its own, and all that visitors reach on another. For a browser they are strangers, so
 * that nothing on a public page can act as the owner who is signed in. With one host for both, owners' own code does not run.
 */
final class Hosts
{
    /** Such as `https://studio.example`, without a slash at the end. */
    public static function studio(): string
    {
        return self::address('lantern.studio_url');
    }

    /** Likewise, of public pages. */
    public static function site(): string
    {
        return self::address('lantern.site_url');
    }

    /** Ports make no difference: a browser sends its cookies to all of them. */
    public static function areSeparate(): bool
    {
        return self::studioName() !== self::siteName();
    }

    public static function studioName(): string
    {
        return self::name(self::studio());
    }

    public static function siteName(): string
    {
        return self::name(self::site());
    }

    /** Of a domain of an owner's: it is reached as the site is, by the same scheme and port. */
    public static function originOf(string $domain): string
    {
        $port = parse_url(self::site(), PHP_URL_PORT);

        return parse_url(self::site(), PHP_URL_SCHEME)."://{$domain}".(is_int($port) ? ":{$port}" : '');
    }

    public static function isStudio(Request $request): bool
    {
        return HostRole::name($request->getHttpHost()) === self::studioName();
    }

    /** The path that all public addresses begin with; '' for none. */
    public static function sitePath(): string
    {
        return rtrim((string) parse_url(self::site(), PHP_URL_PATH), '/');
    }

    /**
     * Does somebody look for the Studio at the pages' host, on a machine of their own? They are told where it is; on a public host
     * nobody is.
     */
    public static function areOfThisMachine(Request $request): bool
    {
        $isLoopback = fn (string $host): bool => $host === 'localhost' || $host === '::1' || str_starts_with($host, '127.');

        return $request->isMethod('GET') && $request->is('/', 'studio') && self::areSeparate()
            && $isLoopback(trim(self::name(self::site()), '[]')) && $isLoopback((string) $request->ip());
    }

    /** A page as the Studio shows it: its pictures and videos come from the site. */
    public static function withMediaOfSite(string $html): string
    {
        return self::areSeparate() ? (string) preg_replace('~(["\s(,])/media/~', '$1'.self::site().'/media/', $html) : $html;
    }

    private static function address(string $setting): string
    {
        return rtrim(Setting::text($setting), '/');
    }

    private static function name(string $address): string
    {
        return strtolower((string) parse_url($address, PHP_URL_HOST));
    }
}
