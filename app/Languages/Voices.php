<?php

declare(strict_types=1);

namespace App\Languages;

use App\Models\Message;
use Illuminate\Translation\Translator;
use Lantern\Core\Languages\Language;

/** The voices in which visitors are spoken to, one a language. */
final class Voices
{
    /** @var array<string, SiteVoice> */
    private array $made = [];

    public function __construct(private readonly Translator $phrases)
    {
    }

    /** The same where nothing is handed over, such as in a view. */
    public static function of(Language|string $language): SiteVoice
    {
        return app(self::class)->in($language);
    }

    /** In which the reader of a message is spoken to: their own, or else that of the funnel it belongs to, or of the business. */
    public static function languageOf(Message $message): string
    {
        return $message->person->language ?? $message->funnel?->liveVersion?->plan()->language ?? $message->funnel->language
            ?? $message->business->language;
    }

    public function in(Language|string $language): SiteVoice
    {
        $language = is_string($language) ? Language::of($language) : $language;

        return $this->made[$language->tag] ??= new SiteVoice($language, $this->phrases);
    }
}
