<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

/** What kind of background it is. */
enum Fill: string
{
    case Paper = 'paper';
    case Tone = 'tone';
    case Colour = 'colour';
    case Gradient = 'gradient';
    case Picture = 'picture';
    case Video = 'video';
}
