<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** A device's report that it has shown a page of a guide to somebody who was there. */
final readonly class PageReport
{
    /**
     * @param  string  $page  its id
     * @param  int  $from  seconds since the guide was opened on that device; likewise `until`, not included
     * @param  int  $scrolled  in percent, how far down
     */
    public function __construct(public string $page, public int $from, public int $until, public int $scrolled)
    {
    }
}
