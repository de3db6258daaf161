<?php

declare(strict_types=1);

namespace App\Languages;

use App\Models\Business;
use App\Models\Message;
use Illuminate\Translation\Translator;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;

/** The voices in which visitors are spoken to: in a language, in the owner's own words where there are some. */
final class Voices
{
    private const MOST_KEPT = 40;

    /** @var array<string, SiteVoice> */
    private array $made = [];

    public function __construct(private readonly Translator $phrases)
    {
    }

    /** Where nothing is handed over, such as in a view. */
    public static function of(Language|string $language, ?Business $business = null, ?OwnPhrases $funnels = null): SiteVoice
    {
        return app(self::class)->in($language, $business, $funnels);
    }

    /** In which the reader of a message is spoken to: their own, or else that of the funnel it belongs to, or of the business. */
    public static function languageOf(Message $message): string
    {
        return $message->person->language ?? $message->funnel?->liveVersion?->plan()->language ?? $message->funnel->language
            ?? $message->business->language;
    }

    /** The voice for it. */
    public static function ofMessage(Message $message): SiteVoice
    {
        return self::of(self::languageOf($message), $message->business, $message->funnel?->liveVersion?->plan()->phrases());
    }

    /**
     * @param  Business|null  $business  whose words are said; null for those that ship
     * @param  OwnPhrases|null  $funnels  those of the funnel, which go before those of its business
     */
    public function in(Language|string $language, ?Business $business = null, ?OwnPhrases $funnels = null): SiteVoice
    {
        $language = is_string($language) ? Language::of($language) : $language;
        $own = ($funnels ?? OwnPhrases::none())->over(OwnPhrases::of($business->phrases ?? []))->for($language);
        $key = $own->isEmpty() ? $language->tag : $language->tag.' '.hash('xxh128', serialize($own->texts));
        if (! isset($this->made[$key])) {
            $this->made = array_slice($this->made, -self::MOST_KEPT + 1, null, true)
                + [$key => new SiteVoice($language, $this->phrases, $own)];
        }

        return $this->made[$key];
    }
}
