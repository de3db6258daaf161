<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Models\Upload;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Fill;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Page\Section;

/** What lies behind a page or a section, as styles: colours that can be read there, a picture or video, and a veil over it. */
final readonly class BackgroundView
{
    /**
     * @param  string  $style  for the element's style attribute; '' where it takes everything over from the page
     * @param  bool  $own  does it cover what the page shows behind it?
     */
    private function __construct(
        public string $style,
        public bool $own,
        public ?Upload $picture,
        public ?Upload $video,
        public string $focus,
        public ?string $veil,
        public string $fill,
    ) {
    }

    public static function ofPage(PageView $view): self
    {
        $background = $view->document->background;
        // In front of a page's own picture the words stand on a sheet of the look's paper.
        $paint = Paint::of($view->look, $background->picture === null ? $background : Background::paper());

        return self::make($view, $background, $view->look, $paint, LookStyle::whole($view->look, $paint), null);
    }

    public static function ofSection(PageView $view, Section $section): self
    {
        $background = $section->background;
        if ($background->isPaper() && $section->look === null) {
            return new self('', false, null, null, '', null, '');
        }
        $look = $section->look === null ? $view->look : $view->plan->lookOf($section->look);
        $paint = Paint::of($look, $background, $view->facts->tonesOf($background));
        $veil = $paint->veilColour === null ? null : 'background:'.$paint->veilColour->hex().';opacity:'.$paint->veil;

        return self::make($view, $background, $look, $paint,
            $section->look === null ? LookStyle::colours($paint) : LookStyle::whole($look, $paint), $veil);
    }

    private static function make(PageView $view, Background $background, Look $look, Paint $paint, string $style, ?string $veil): self
    {
        $css = Paint::css($look, $background);
        // A section in a look of its own brings that look's paper along.
        if ($css === null && $look !== $view->look && $background->picture === null && $background->video === null) {
            $css = $look->paper->hex();
        }
        // A gradient that needs a veil carries it itself; a picture's lies over the picture.
        if ($css !== null && $background->fill === Fill::Gradient && $paint->veilColour !== null) {
            $over = sprintf('rgb(%d %d %d/%s)', $paint->veilColour->red, $paint->veilColour->green, $paint->veilColour->blue, $paint->veil);
            $css = "linear-gradient({$over},{$over}),{$css}";
        }

        return new self($style.($css === null ? '' : ";background:{$css}"), true, $view->upload($background->picture ?? ''),
            $view->upload($background->video ?? ''),
            "{$background->focusX}% {$background->focusY}%", $background->picture === null && $background->video === null ? null : $veil,
            $background->fill->value);
    }

    public function bodyClass(): string
    {
        return $this->picture !== null ? 'has-backdrop' : '';
    }
}
