<?php

declare(strict_types=1);

namespace App\Serving;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use IntlTimeZone;
use Symfony\Component\HttpFoundation\Cookie;

/** What a request says of the browser it comes from. */
final class Browser
{
    public const COOKIE = 'lantern_visitor';

    /** The time zone that the browser's own clock keeps. */
    public const ZONE_COOKIE = 'lantern_zone';

    /** Set when the owner opens a page from the Studio: their own visits are left out of all numbers. */
    public const OWNER_COOKIE = 'lantern_owner';

    public static function id(Request $request): ?string
    {
        foreach ([$request->input('visitor'), $request->cookie(self::COOKIE)] as $id) {
            if (is_string($id) && preg_match('/^[0-9a-f]{32}$/D', $id) === 1) {
                return $id;
            }
        }

        return null;
    }

    public static function isOwner(Request $request): bool
    {
        return $request->cookie(self::OWNER_COOKIE) !== null;
    }

    public static function ownerCookie(): Cookie
    {
        return new Cookie(self::OWNER_COOKIE, '1', CarbonImmutable::now()->addDays(30)->getTimestamp(), '/', null, null, true, false,
            Cookie::SAMESITE_LAX);
    }

    /**
     * The zone by the name it has today. Browsers say `Asia/Calcutta` and `Europe/Kiev` to this day; what is the same zone under
     * another name is told by ICU.
     */
    public static function zone(mixed $name): ?string
    {
        if (! is_string($name) || $name === '' || strlen($name) > 60) {
            return null;
        }
        if (in_array($name, timezone_identifiers_list(), true)) {
            return $name;
        }
        $known = in_array($name, timezone_identifiers_list(DateTimeZone::ALL_WITH_BC), true) ? IntlTimeZone::getCanonicalID($name) : false;
        foreach ($known === false ? [] : timezone_identifiers_list() as $today) {
            if (IntlTimeZone::getCanonicalID($today) === $known) {
                return $today;
            }
        }

        return null;
    }
}
