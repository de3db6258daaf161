<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/** What a visitor gets at an address: a page of the funnel, an address elsewhere, or only the word that the time is up. */
final readonly class Place
{
    private function __construct(public ?string $page, public ?string $url)
    {
    }

    public static function page(string $id): self
    {
        return new self($id, null);
    }

    public static function url(string $url): self
    {
        return new self(null, $url);
    }

    public static function nowhere(): self
    {
        return new self(null, null);
    }
}
