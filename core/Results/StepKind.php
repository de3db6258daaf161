<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use Lantern\Core\Plan\PageRole;

/** What people do, or fail to do, at one step of their way through a funnel. */
enum StepKind: string
{
    /** Leave their address, or register. */
    case Join = 'join';
    case Confirm = 'confirm';
    /** Come to the session they registered for. */
    case Attend = 'attend';
    /** Buy without having been known before. */
    case BuyAtOnce = 'buy-at-once';
    /** Go through with a checkout that they opened. */
    case Pay = 'pay';
    case GoOn = 'go-on';

    /** What is to be done on a page, that somebody may fail to do; nothing where it is the end of the way. */
    public static function of(PageRole $role, bool $sells): ?self
    {
        return match (true) {
            in_array($role, [PageRole::OptIn, PageRole::Registration, PageRole::Form], true) => self::Join,
            $role === PageRole::Checkout || $sells => self::Pay,
            in_array($role, [PageRole::Sales, PageRole::Lesson, PageRole::Replay], true) => self::GoOn,
            default => null,
        };
    }

    /** Of those who do: "join". */
    public function verb(): string
    {
        return match ($this) {
            self::Join => 'join',
            self::Confirm => 'confirm their address',
            self::Attend => 'come',
            self::BuyAtOnce => 'buy at once',
            self::Pay => 'go through with it',
            self::GoOn => 'go on',
        };
    }
}
