<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

/** A value that each language writes in its own way, such as an amount of money: it can stand in a {@see Phrase}. */
interface Spoken
{
    public function spoken(Language $language): string;
}
