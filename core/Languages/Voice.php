<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

/** Says phrases in one language: all that a visitor reads of the application itself comes through one. */
interface Voice
{
    public function language(): Language;

    /**
     * @param  array<string, int|float|string|Spoken|Phrase>  $values  of a phrase that is named by its key
     * @return string plain text, to be escaped wherever it is shown
     */
    public function say(Phrase|string $phrase, array $values = []): string;
}
