<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use Lantern\Core\Results\Bots;

/** Whether a page is being looked at by a person, and not fetched by a program or ahead of time. */
final class Seeing
{
    /** @param  string|null  $purpose  what the browser says a page is fetched for (the header Sec-Purpose); null where it says nothing */
    public static function isByAPerson(string $method, ?string $userAgent, ?string $purpose): bool
    {
        return $method === 'GET' && self::counts($userAgent, $purpose);
    }

    /** A view that its page reports itself: it counts unless a program reports it, or a browser that has only fetched it ahead. */
    public static function counts(?string $userAgent, ?string $purpose): bool
    {
        return ! Bots::is($userAgent) && ! str_contains(strtolower($purpose ?? ''), 'prefetch')
            && ! str_contains(strtolower($purpose ?? ''), 'prerender');
    }
}
