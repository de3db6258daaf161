<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\SiteCookie;
use App\Support\SiteCookies;
use DateTimeZone;
use Illuminate\Http\Request;
use IntlTimeZone;
use Lantern\Core\Support\WallClock;

/** What a request says of the browser it comes from. */
final class Browser
{
    public static function id(Request $request): ?string
    {
        return self::idOf($request->input('visitor'), SiteCookies::read($request, SiteCookie::Visitor));
    }

    /** The first of some values that is an id of a browser. */
    public static function idOf(mixed ...$candidates): ?string
    {
        foreach ($candidates as $id) {
            if (is_string($id) && preg_match('/^[0-9a-f]{32}$/D', $id) === 1) {
                return $id;
            }
        }

        return null;
    }

    public static function isOwner(Request $request): bool
    {
        return SiteCookies::read($request, SiteCookie::Owner) !== null;
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
        if (WallClock::isZone($name)) {
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
