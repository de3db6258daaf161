<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/** What somebody does who has typed an address: is it its person's doing? Anybody may have typed it. */
final class TypedAddress
{
    /**
     * @param  bool  $isKnown  was anything known of the address before? Of nobody, nothing can be shown and nothing changed.
     * @param  bool  $isProven  did they come by a link that only an email to it holds?
     * @param  bool  $isOwnersTry  is it the owner's browser, and the person one whom the owner has made by trying it out?
     */
    public static function isTheirs(bool $isKnown, bool $isProven, bool $isOwnersTry = false): bool
    {
        return ! $isKnown || $isProven || $isOwnersTry;
    }
}
