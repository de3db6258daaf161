<?php

declare(strict_types=1);

namespace App\Languages;

use Illuminate\Translation\Translator;

/** As the framework's translator finds them. */
final readonly class TranslatedPhrases implements Phrases
{
    public function __construct(private Translator $translator)
    {
    }

    public function line(string $key, string $catalogue): ?string
    {
        $line = $this->translator->get($key, [], $catalogue, false);

        return is_string($line) && $line !== $key ? $line : null;
    }
}
