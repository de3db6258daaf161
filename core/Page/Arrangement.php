<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Page\Block\BlockKind;

/** How a section arranges its blocks on a wide screen; on a phone all run in one column. */
enum Arrangement: string
{
    case Centred = 'centred';
    case Left = 'left';
    case SplitRight = 'split-right';
    case SplitLeft = 'split-left';
    case FormRight = 'form-right';
    case FormLeft = 'form-left';
    case Aside = 'aside';
    case Wide = 'wide';
    case Boxed = 'boxed';

    public function label(): string
    {
        return match ($this) {
            self::Centred => 'Centred',
            self::Left => 'From the left',
            self::SplitRight => 'Words left, picture right',
            self::SplitLeft => 'Picture left, words right',
            self::FormRight => 'Form at the right',
            self::FormLeft => 'Form at the left',
            self::Aside => 'Heading at the side',
            self::Wide => 'Across the page',
            self::Boxed => 'On a card',
        };
    }

    /** Does the block stand in the second column? */
    public function isBeside(BlockKind $kind): bool
    {
        return match ($this) {
            self::SplitRight, self::SplitLeft => $kind->isVisual(),
            self::FormRight, self::FormLeft => $kind === BlockKind::Form,
            self::Aside => ! in_array($kind, [BlockKind::Eyebrow, BlockKind::Heading, BlockKind::Text, BlockKind::Logo], true),
            default => false,
        };
    }
}
