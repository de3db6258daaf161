<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use Lantern\Core\Support\Shape;

/** How a section or a block comes in, once, when it is scrolled into view. What is in view from the start stands still. */
enum Entrance: string
{
    case None = '';
    case Fade = 'fade';
    case Rise = 'rise';
    case Slide = 'slide';

    public static function fromShape(Shape $shape): self
    {
        return $shape->choice('entrance', self::class, '');
    }

    /** @return array{entrance?: string} */
    public static function written(self $entrance): array
    {
        return $entrance === self::None ? [] : ['entrance' => $entrance->value];
    }
}
