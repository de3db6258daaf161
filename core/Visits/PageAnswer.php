<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use Lantern\Core\Deadlines\Place;

/** What a visitor gets at an address: a page, the way to another one, or a notice. Exactly one of them. */
final readonly class PageAnswer
{
    private function __construct(
        public ?string $page = null,
        public bool $whileClosed = false,
        public ?string $movedTo = null,
        public ?Place $instead = null,
        public ?PageNotice $notice = null,
    ) {
    }

    /** @param  bool  $whileClosed  is it shown although the funnel is closed? No deadline is asked then. */
    public static function show(SitePage $page, bool $whileClosed = false): self
    {
        return new self($page->id, $whileClosed);
    }

    /** @param  string  $page  the id of the page that stood at this address and has another one now */
    public static function moved(string $page): self
    {
        return new self(movedTo: $page);
    }

    /** @param  Place  $place  where a deadline leads instead */
    public static function lead(Place $place): self
    {
        return new self(instead: $place);
    }

    public static function say(PageNotice $notice): self
    {
        return new self(notice: $notice);
    }
}
