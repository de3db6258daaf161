<?php

declare(strict_types=1);

namespace App\Languages;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Version;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;

/** The voices in which visitors are spoken to: in a language, in the owner's own words where there are some. */
final class Voices
{
    private const MOST_KEPT = 40;

    /** @var array<string, SiteVoice> */
    private array $made = [];

    public function __construct(private readonly Phrases $phrases)
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
        return $message->funnel === null ? self::of(self::languageOf($message), $message->business)
            : self::ofFunnel(self::languageOf($message), $message->funnel);
    }

    /** In the words of a funnel that is public: its own, as they went live, and below them those of its business. */
    public static function ofFunnel(Language|string $language, Funnel $funnel): SiteVoice
    {
        return self::of($language, $funnel->business, self::phrasesOf($funnel->live_version_id));
    }

    /** Read without the rest of the plan: what is told of an order or a link asks for nothing else of it. */
    public static function phrasesOf(?string $version): ?OwnPhrases
    {
        $kept = $version === null ? null
            : Version::query()->toBase()->where('id', $version)->selectRaw("json_extract(plan, '$.phrases') as phrases")->value('phrases');

        return is_string($kept) ? OwnPhrases::of(json_decode($kept, true)) : null;
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
