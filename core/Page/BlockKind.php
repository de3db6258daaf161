<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/** What a block is. The fields each kind has are listed in {@see Block::FIELDS}. */
enum BlockKind: string
{
    case Heading = 'heading';
    case Text = 'text';
    case Bullets = 'bullets';
    case Picture = 'picture';
    case Cover = 'cover';
    case Form = 'form';
    case Download = 'download';
    case Button = 'button';
}
