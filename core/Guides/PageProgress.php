<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** What somebody did with one page of a guide. */
final readonly class PageProgress
{
    /**
     * @param  int  $seconds  in view, on all devices together
     * @param  int  $scrolled  in percent, how far down
     * @param  int  $stays  in how many stays they looked at it
     */
    public function __construct(public int $seconds, public int $scrolled, public int $stays, public bool $read)
    {
    }

    /** How often they came back to it on another occasion. */
    public function returns(): int
    {
        return max(0, $this->stays - 1);
    }
}
