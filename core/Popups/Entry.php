<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** How a pop-up comes in. Where its visitor asks for less motion, it is simply there. */
enum Entry: string
{
    case None = 'none';
    case Fade = 'fade';
    case Rise = 'rise';
    case Slide = 'slide';
    case Grow = 'grow';

    public function label(): string
    {
        return match ($this) {
            self::None => 'At once',
            self::Fade => 'Fading in',
            self::Rise => 'Rising',
            self::Slide => 'Sliding in from its side',
            self::Grow => 'Growing',
        };
    }
}
