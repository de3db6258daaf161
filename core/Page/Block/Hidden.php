<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use Lantern\Core\Support\Shape;

/** On which screens a section or a block is left out. */
enum Hidden: string
{
    case Nowhere = '';
    case OnPhone = 'phone';
    case OnDesktop = 'desktop';

    public static function fromShape(Shape $shape): self
    {
        return $shape->choice('hidden', self::class, '');
    }

    /** @return array{hidden?: string} */
    public static function written(self $hidden): array
    {
        return $hidden === self::Nowhere ? [] : ['hidden' => $hidden->value];
    }
}
