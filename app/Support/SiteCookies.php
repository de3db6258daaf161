<?php

declare(strict_types=1);

namespace App\Support;

use DateTimeInterface;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\Crypt;
use Symfony\Component\HttpFoundation\Cookie as AnyCookie;

/**
 * Makes and opens every cookie of public pages. What a browser is to keep for us is under a seal for that very cookie, so that none can
 * be made up, nor used as another one. Cookies of an earlier release were encrypted instead; they go on working until they end.
 */
final class SiteCookies
{
    /** What a browser may bring, in bytes: no cookie that we give is as long. */
    private const LONGEST = 4000;

    /** @param  SiteAddress|null  $below  the funnel whose pages it is sent with; all pages where none is named */
    public static function give(SiteCookie $cookie, string $value, ?SiteAddress $below = null): AnyCookie
    {
        return Cookie::make($cookie->value, $cookie->isForScripts() ? $value : $value.'~'.self::seal($cookie, $value),
            60 * 24 * $cookie->days(), $below?->below() ?? '/', httpOnly: ! $cookie->isForScripts(), sameSite: 'lax');
    }

    /** A cookie as `give` gives it, as the line of a header, for what is answered before the framework starts. */
    public static function line(SiteCookie $cookie, string $value, DateTimeInterface $now, ?SiteAddress $below = null): string
    {
        return self::spelled($cookie, $cookie->isForScripts() ? $value : $value.'~'.self::seal($cookie, $value),
            $now->getTimestamp() + 86_400 * $cookie->days(), 86_400 * $cookie->days(), $below);
    }

    /** Likewise as `forget` takes it away. */
    public static function forgottenLine(SiteCookie $cookie, DateTimeInterface $now, ?SiteAddress $below = null): string
    {
        // A year ago, as the framework writes it.
        return self::spelled($cookie, 'deleted', $now->getTimestamp() - 31_536_001, 0, $below);
    }

    private static function spelled(SiteCookie $cookie, string $value, int $expires, int $age, ?SiteAddress $below): string
    {
        return $cookie->value.'='.rawurlencode($value).'; expires='.gmdate('D, d M Y H:i:s', $expires)." GMT; Max-Age={$age}; path="
            .($below?->below() ?? '/').(str_starts_with(Hosts::studio(), 'https://') ? '; secure' : '')
            .($cookie->isForScripts() ? '' : '; httponly').'; samesite=lax';
    }

    public static function forget(SiteCookie $cookie, ?SiteAddress $below = null): AnyCookie
    {
        return Cookie::forget($cookie->value, $below?->below() ?? '/');
    }

    /** @return string|null what we gave to this browser; nothing for what is not ours */
    public static function read(Request $request, SiteCookie $cookie): ?string
    {
        $kept = $request->cookie($cookie->value);

        return self::isOne($kept) ? self::opened($cookie, $kept) ?? self::earlier($cookie, $kept) : null;
    }

    /** @return string|null what stands in a cookie; null where it is under no seal of today */
    public static function opened(SiteCookie $cookie, mixed $kept): ?string
    {
        if (! self::isOne($kept) || $cookie->isForScripts()) {
            return self::isOne($kept) ? $kept : null;
        }
        [$value, $seal] = [...explode('~', $kept, 2), ''];

        return Seal::holds(SealPurpose::Cookie, "{$cookie->value}|{$value}", $seal) ? $value : null;
    }

    /** @phpstan-assert-if-true non-empty-string $kept */
    private static function isOne(mixed $kept): bool
    {
        return is_string($kept) && $kept !== '' && strlen($kept) <= self::LONGEST;
    }

    /** As earlier releases kept it: encrypted by the framework, with a mark of which cookie it is. */
    private static function earlier(SiteCookie $cookie, string $kept): ?string
    {
        try {
            $value = Crypt::decryptString($kept);
        } catch (DecryptException) {
            return null;
        }

        return CookieValuePrefix::validate($cookie->value, $value, Crypt::getAllKeys());
    }

    private static function seal(SiteCookie $cookie, string $value): string
    {
        return Seal::of(SealPurpose::Cookie, "{$cookie->value}|{$value}");
    }
}
