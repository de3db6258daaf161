<?php

declare(strict_types=1);

namespace App\Languages;

use App\Models\Business;
use Illuminate\Database\QueryException;
use Lantern\Core\Languages\Language;

/**
 * The language in which a request of a visitor is answered: that of the page, funnel or person it turns out to be about, whatever their
 * browser asks for. Until that is known, it is that of the business.
 */
final class SiteLanguage
{
    private ?Language $found = null;

    public function __construct(private readonly Voices $voices)
    {
    }

    public function begin(): void
    {
        $this->found = null;
    }

    public function is(string $language): SiteVoice
    {
        $this->found = Language::of($language);

        return $this->voice();
    }

    public function voice(): SiteVoice
    {
        return $this->voices->in($this->found ??= self::ofBusiness());
    }

    private static function ofBusiness(): Language
    {
        try {
            $language = Business::query()->orderBy('id')->value('language');
        } catch (QueryException) {
            // What cannot be read just now is no reason to say nothing.
            $language = null;
        }

        return Language::of(is_string($language) ? $language : 'en');
    }
}
