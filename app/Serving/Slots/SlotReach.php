<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use LogicException;

/** When a slot of a page that is looked at can be filled. */
enum SlotReach
{
    /** When the page is published: it is the same for everybody, as long as release, settings and addresses are. */
    case Published;
    /** With each visit, of what a cookie, the address and few queries say: before the framework starts. */
    case Front;
    /** With each visit, by what only the framework has. */
    case Framework;

    /** @throws LogicException for a kind of slot that there is not */
    public static function of(string $kind): self
    {
        return match ($kind) {
            // What was typed, and what is wrong with it, is nothing where nothing was sent.
            'value', 'error', 'errors', 'invalid', 'ticked', 'pick', 'seen',
            'head', 'code', 'popups', 'site', 'page', 'whole', 'here' => self::Published,
            'token', 'source', 'merge', 'address', 'at', 'until', 'countdown', 'sessions',
            'download' => self::Front,
            'checkout', 'extra', 'purchases', 'session', 'room', 'replay', 'reading', 'leaf', 'answer',
            'done' => self::Framework,
            default => throw new LogicException("Nothing says when the slot {$kind} can be filled."),
        };
    }
}
