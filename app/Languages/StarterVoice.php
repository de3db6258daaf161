<?php

declare(strict_types=1);

namespace App\Languages;

use Illuminate\Translation\Translator;
use Lantern\Core\Languages\Language;
use Lantern\Core\Starters\StarterWords;

/** The texts of the starters in a language, as far as somebody has written them in it: `lang/de.json` and its like. */
final class StarterVoice implements StarterWords
{
    /** Languages in which the starters are written; for all others they begin in English. */
    public const WRITTEN = ['en', 'de', 'es'];

    /** @var list<array<string, string>> the nearest first */
    private array $texts = [];

    public function __construct(Translator $translator, Language $language)
    {
        foreach (array_diff($language->catalogues(), ['en']) as $catalogue) {
            $this->texts[] = array_filter($translator->getLoader()->load($catalogue, '*', '*'), is_string(...));
        }
    }

    public static function in(string $language): self
    {
        return app()->makeWith(self::class, ['language' => Language::of($language)]);
    }

    public function of(string $english): string
    {
        foreach ($this->texts as $texts) {
            if (isset($texts[$english])) {
                return $texts[$english];
            }
        }

        return $english;
    }
}
