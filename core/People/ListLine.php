<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/** A line of a file as it is read: the byte at which it begins, its text in UTF-8 with its end, and whether all of it is there. */
final readonly class ListLine
{
    public function __construct(public int $at, public string $text, public bool $isWhole = true)
    {
    }
}
