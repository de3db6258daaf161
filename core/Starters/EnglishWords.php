<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

/** The words as they are written in the starters. */
final class EnglishWords implements StarterWords
{
    public function of(string $english): string
    {
        return $english;
    }
}
