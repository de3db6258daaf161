<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** A page of a guide as far as it matters for having read it. */
final readonly class ReadablePage
{
    /** In percent: whoever has come so far down a page has come to its end. */
    public const FAR = 75;

    /** Of the time that it takes to read it calmly. */
    private const LEAST_SHARE = 0.25;

    private const LEAST_SECONDS = 2;

    private const MOST_SECONDS = 20;

    /** @param  int  $seconds  that it takes to read it calmly */
    public function __construct(public string $id, public int $seconds)
    {
    }

    public static function of(GuidePage $page): self
    {
        return new self($page->id, ReadingTime::of($page->document));
    }

    /** The seconds that it must have been in view, at least; people read faster than they think, and nobody reads ten pages in one. */
    public function least(): int
    {
        return (int) max(self::LEAST_SECONDS, min(self::MOST_SECONDS, round($this->seconds * self::LEAST_SHARE)));
    }

    /**
     * @param  int  $seconds  for which it was in view
     * @param  int  $scrolled  in percent, how far down; 100 where all of it fits the screen
     */
    public function isRead(int $seconds, int $scrolled): bool
    {
        return $seconds >= $this->least() && $scrolled >= self::FAR;
    }
}
