<?php

declare(strict_types=1);

namespace App\Languages;

use App\Models\Business;
use App\Models\Funnel;
use Illuminate\Database\QueryException;
use Lantern\Core\Languages\OwnPhrases;

/**
 * How a request of a visitor is answered: in the language of the page, funnel or person it turns out to be about, whatever their browser
 * asks for, and in the words of whose it is. Until that is known, in those of the business.
 */
final class SiteLanguage
{
    private ?SiteVoice $found = null;

    public function __construct(private readonly Voices $voices)
    {
    }

    public function begin(): void
    {
        $this->found = null;
    }

    public function is(string $language, ?Business $business, ?OwnPhrases $funnels = null): SiteVoice
    {
        return $this->found = $this->voices->in($language, $business, $funnels);
    }

    /** Of something that belongs to a funnel: an order, a link, a place in a webinar. */
    public function ofFunnel(string $language, Funnel $funnel): SiteVoice
    {
        return $this->found = Voices::ofFunnel($language, $funnel);
    }

    public function voice(): SiteVoice
    {
        return $this->found ??= $this->ofBusiness();
    }

    private function ofBusiness(): SiteVoice
    {
        try {
            $business = Business::query()->orderBy('id')->first();
        } catch (QueryException) {
            // What cannot be read just now is no reason to say nothing.
            $business = null;
        }

        return $this->voices->in($business->language ?? 'en', $business);
    }
}
