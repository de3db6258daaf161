<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/** How a section arranges its blocks on a wide screen; on a phone all run in one column. */
enum Arrangement: string
{
    case Centred = 'centred';
    case Left = 'left';
    case SplitRight = 'split-right';
    case SplitLeft = 'split-left';
    case Boxed = 'boxed';
}
