<?php

declare(strict_types=1);

namespace Tests;

use App\Languages\PhraseFiles;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use Lantern\Core\Languages\Phrase;

/** Says phrases without the application, so that tests of the core can name what is meant by what a visitor reads. */
final class English
{
    private static ?Voices $voices = null;

    public static function voice(string $language = 'en'): SiteVoice
    {
        self::$voices ??= new Voices(new PhraseFiles(__DIR__.'/../lang'));

        return self::$voices->in($language);
    }

    public static function say(?Phrase $phrase): ?string
    {
        return $phrase === null ? null : self::voice()->say($phrase);
    }

    /**
     * @param  array<string, Phrase>  $phrases
     * @return array<string, string>
     */
    public static function all(array $phrases): array
    {
        return array_map(self::voice()->say(...), $phrases);
    }
}
