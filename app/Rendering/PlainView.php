<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Languages\SiteVoice;
use Illuminate\Support\HtmlString;

/** What the views of a form ask of the page around it, where there is none. */
final readonly class PlainView
{
    public function __construct(public SiteVoice $voice)
    {
    }

    public function editing(): bool
    {
        return false;
    }

    public function leftToRight(): HtmlString
    {
        return $this->voice->leftToRight();
    }

    public function say(string $phrase): string
    {
        return $this->voice->say($phrase);
    }
}
