<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** Where on the screen a pop-up stands. Bands, slips and what is placed in a page are no dialogs: the page goes on beside them. */
enum Placement: string
{
    case Middle = 'middle';
    case Full = 'full';
    case SideRight = 'side-right';
    case SideLeft = 'side-left';
    case Top = 'top';
    case Bottom = 'bottom';
    case CornerRight = 'corner-right';
    case CornerLeft = 'corner-left';
    case Placed = 'placed';

    public function label(): string
    {
        return match ($this) {
            self::Middle => 'In the middle',
            self::Full => 'The whole screen',
            self::SideRight => 'Panel at the right',
            self::SideLeft => 'Panel at the left',
            self::Top => 'Band at the top',
            self::Bottom => 'Band at the bottom',
            self::CornerRight => 'Small, bottom right',
            self::CornerLeft => 'Small, bottom left',
            self::Placed => 'In the page itself',
        };
    }

    /** Does it stand before the page, which waits until it is closed? */
    public function isDialog(): bool
    {
        return in_array($this, [self::Middle, self::Full, self::SideRight, self::SideLeft], true);
    }
}
