<?php

declare(strict_types=1);

namespace App\Warmth;

use Lantern\Core\Warmth\Band;

/** How warm somebody was before they did something, and is since. */
final readonly class Warming
{
    public function __construct(public Band $from, public Band $to)
    {
    }
}
