<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

/** Where somebody goes: an address elsewhere, a page of the funnel, or where one waits for an email. */
final readonly class Onward
{
    /** @param  string|null  $page  an id; null for the entry page, where nothing else is meant */
    private function __construct(public ?string $page = null, public ?string $url = null, public bool $waits = false)
    {
    }

    public static function page(?string $id): self
    {
        return new self($id);
    }

    public static function url(string $url): self
    {
        return new self(null, $url);
    }

    /** To the page that says to look in the inbox. */
    public static function inbox(): self
    {
        return new self(waits: true);
    }
}
