<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

/**
 * A look on a background: every colour that is used there, chosen so that it can be read. Where no colour can be read
 * on all of a picture or gradient, a veil is laid over it, as thin as will do.
 */
final readonly class Paint
{
    /** Over pictures a little more than the least, since a blended pixel is not exactly the grey it is taken for. */
    private const OVER_PICTURES = 5.0;

    /** Of a gradient so many are looked at, since it can be darkest anywhere along its way. */
    private const POINTS = 32;

    /** A button must stand out from what is behind it at least this much; one that does not is drawn in the ink. */
    private const SHAPE = 1.6;

    /**
     * @param  array<string, string>  $colours  hex by use: paper, ink, soft, accent, onAccent, link, field, onField, line
     * @param  non-empty-list<Colour>  $behind  the colours that words may meet, veil and all
     * @param  Colour|null  $veilColour  null where no veil is needed
     * @param  float  $veil  its strength, 0 to 1
     */
    private function __construct(
        public array $colours,
        public array $behind,
        public ?Colour $veilColour,
        public float $veil,
    ) {
    }

    /** @param  Tones|null  $tones  of the background's picture, or of a video's still */
    public static function of(Look $look, Background $background, ?Tones $tones = null): self
    {
        $behind = self::behind($look, $background, $tones);
        $veilColour = null;
        $veil = 0.0;
        if (count($behind) > 1) {
            [$veilColour, $veil] = self::veil($look, $background, $behind);
            $behind = array_map(fn (Colour $c): Colour => $c->mixedWith($veilColour, $veil), $behind);
        }
        $ink = $background->ink ?? Contrast::readableOnAll($behind, $look->ink, $look->paper);
        $paper = $behind[$background->picture === null ? intdiv(count($behind), 2) : count($behind) - 1];

        return new self(self::colours($look, $behind, $paper, $ink), $behind, $veil > 0 ? $veilColour : null, $veil);
    }

    /** The least contrast that ordinary words have anywhere on this background. */
    public function leastContrast(): float
    {
        return Contrast::least(Colour::of($this->colours['ink']), $this->behind);
    }

    /** The least contrast of a field's outline with the field and with anything around it. */
    public function outlineContrast(): float
    {
        return Contrast::least(Colour::of($this->colours['line']), [...$this->behind, Colour::of($this->colours['field'])]);
    }

    /** The background as a value of the CSS property `background`; null where a picture or nothing stands there. */
    public static function css(Look $look, Background $background): ?string
    {
        return match ($background->fill) {
            Fill::Tone => self::toneColour($look, $background->tone)->hex(),
            Fill::Colour => $background->colour?->hex(),
            Fill::Gradient => "linear-gradient({$background->angle}deg,{$background->colour?->hex()},{$background->to?->hex()})",
            default => null,
        };
    }

    private static function toneColour(Look $look, string $tone): Colour
    {
        return match ($tone) {
            'ink' => $look->paper->luminance() > 0.25 ? $look->ink
                : $look->ink->mixedWith($look->paper, 0.88)->mixedWith(Colour::of('#000000'), 0.35),
            'accent' => $look->accent,
            default => self::tint($look),
        };
    }

    /** A shade beside the paper: towards the ink on white and on dark paper, towards white on coloured paper. */
    private static function tint(Look $look): Colour
    {
        $light = $look->paper->luminance();

        return $light > 0.35 && $light < 0.85 ? $look->paper->mixedWith(Colour::of('#ffffff'), 0.45)
            : $look->paper->mixedWith($look->ink, 0.065);
    }

    /** @return non-empty-list<Colour> */
    private static function behind(Look $look, Background $background, ?Tones $tones): array
    {
        if ($background->fill === Fill::Picture || $background->fill === Fill::Video) {
            $tones ??= Tones::unknown();

            // The darkest that anything in it can become under a veil, and the lightest.
            return [Colour::grey($tones->dark), ...Colour::mostSaturated($tones->dark), Colour::grey($tones->light)];
        }
        if ($background->fill === Fill::Gradient && $background->colour !== null && $background->to !== null) {
            $points = [];
            for ($i = 0; $i <= self::POINTS; $i++) {
                $points[] = $background->colour->mixedWith($background->to, $i / self::POINTS);
            }

            return $points;
        }

        return [match (true) {
            $background->colour !== null => $background->colour,
            $background->fill === Fill::Tone => self::toneColour($look, $background->tone),
            default => $look->paper,
        }];
    }

    /**
     * The thinnest veil under which some colour of words can be read: dark under light words or light under dark ones.
     *
     * @param  non-empty-list<Colour>  $behind
     * @return array{Colour, float}
     */
    private static function veil(Look $look, Background $background, array $behind): array
    {
        $dark = $look->ink->luminance() < $look->paper->luminance() ? $look->ink : $look->paper;
        $light = $dark === $look->ink ? $look->paper : $look->ink;
        $least = $background->picture === null ? Contrast::TEXT : self::OVER_PICTURES;
        [$black, $white] = [Colour::of('#000000'), Colour::of('#ffffff')];
        $best = [$dark->mixedWith($black, 0.4), 0.95];
        $choices = [[$light, $best[0]], [$dark, $light->mixedWith($white, 0.4)]];
        if (Contrast::ratio($dark, $light) < $least) {
            // An ink and a paper of one's own that are too much alike to be told apart.
            $best = [$black, 0.95];
            $choices = [[$white, $black], [$black, $white]];
        }
        foreach ($choices as [$words, $veil]) {
            if ($background->ink !== null) {
                $words = $background->ink;
                $veil = $words->luminance() > 0.18 ? $best[0] : $veil;
            }
            for ($share = 0.0; $share < $best[1]; $share += 0.05) {
                $under = array_map(fn (Colour $c): Colour => $c->mixedWith($veil, $share), $behind);
                if (Contrast::least($words, $under) >= $least) {
                    $best = [$veil, round($share, 2)];
                    break;
                }
            }
        }

        return [$best[0], $background->veil === null ? $best[1] : $background->veil / 100];
    }

    /**
     * @param  non-empty-list<Colour>  $behind
     * @return array<string, string>
     */
    private static function colours(Look $look, array $behind, Colour $paper, Colour $ink): array
    {
        $white = Colour::of('#ffffff');
        [$field, $line] = self::field($look, $behind, $paper);
        $button = Contrast::least($look->accent, $behind) >= self::SHAPE ? $look->accent
            : Contrast::readableOnAll($behind, $look->ink, $look->paper);

        return [
            'paper' => $paper->hex(),
            'ink' => $ink->hex(),
            'soft' => count($behind) > 1 ? $ink->hex() : Contrast::readableOnAll($behind, $ink->mixedWith($paper, 0.28), $ink)->hex(),
            'accent' => $button->hex(),
            'onAccent' => Contrast::readableOn($button, $white, $look->ink, $look->paper)->hex(),
            'link' => Contrast::readableOnAll($behind, $look->accent, $ink)->hex(),
            'field' => $field->hex(),
            'onField' => Contrast::readableOn($field, $look->ink, $look->paper)->hex(),
            'softOnField' => Contrast::readableOn($field, Contrast::readableOn($field, $look->ink, $look->paper)->mixedWith($field, 0.26),
                $look->ink, $look->paper)->hex(),
            'linkOnField' => Contrast::readableOn($field, $look->accent, $look->ink, $look->paper)->hex(),
            'line' => $line->hex(),
        ];
    }

    /**
     * A field and its outline, which has to be seen as well: 3 to 1 against the field and against all that lies around it (WCAG
     * 2.2, 1.4.11). On a shade that no outline can be told from beside a white field, the field is dark.
     *
     * @param  non-empty-list<Colour>  $behind
     * @return array{Colour, Colour}
     */
    private static function field(Look $look, array $behind, Colour $paper): array
    {
        [$black, $white] = [Colour::of('#000000'), Colour::of('#ffffff')];
        $best = [$white, $black];
        $most = 0.0;
        foreach ([$paper->luminance() > 0.4 ? $paper->mixedWith($white, 0.75) : $white, $white, $paper->mixedWith($black, 0.75),
            $black] as $field) {
            $lines = [$look->ink->mixedWith($field, 0.35), $look->ink, $look->paper, Colour::grey(0.18), $black, $white];
            foreach ($lines as $line) {
                $least = Contrast::least($line, [...$behind, $field]);
                if ($least >= Contrast::LARGE) {
                    return [$field, $line];
                }
                if ($least > $most) {
                    [$best, $most] = [[$field, $line], $least];
                }
            }
        }

        return $best;
    }
}
