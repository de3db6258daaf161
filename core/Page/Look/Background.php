<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;

/**
 * What lies behind a page or a section: the look's paper, one of its tones, a colour of its own, a gradient, a picture,
 * or a short looping video with a still. How words stay readable on it is worked out by {@see Paint}.
 */
final readonly class Background
{
    use Rebuilt;

    /**
     * @param  string  $tone  tint, ink or accent
     * @param  int  $angle  of a gradient, in degrees as CSS counts them
     * @param  int  $focusX  the point of a picture that must stay in sight, in percent from the left; likewise `focusY` from the top
     * @param  Colour|null  $ink  the owner's own colour for the words, in place of the one worked out
     * @param  int|null  $veil  the owner's own strength of the veil over a picture, in percent
     */
    private function __construct(
        public Fill $fill = Fill::Paper,
        public string $tone = '',
        public ?Colour $colour = null,
        public ?Colour $to = null,
        public int $angle = 160,
        public ?string $picture = null,
        public ?string $video = null,
        public int $focusX = 50,
        public int $focusY = 50,
        public ?Colour $ink = null,
        public ?int $veil = null,
    ) {
    }

    public static function paper(): self
    {
        return new self;
    }

    public static function tone(string $tone): self
    {
        return new self(Fill::Tone, $tone);
    }

    public static function colour(Colour $colour): self
    {
        return new self(Fill::Colour, colour: $colour);
    }

    public static function picture(string $picture): self
    {
        return new self(Fill::Picture, picture: $picture);
    }

    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $colour = fn (string $key): ?Colour => $shape->has($key) ? Colour::of($shape->text($key, 7), $shape->path($key)) : null;
        $fill = $shape->choice('fill', Fill::class, Fill::Paper->value);
        $ink = $colour('ink');
        $veil = $shape->has('veil') ? $shape->integer('veil', 0, 95) : null;
        $need = fn (?Colour $c, string $key): Colour => $c ?? throw Invalid::at($shape->path($key), 'A colour is written like #1E6B5E.');
        $focus = fn (string $key): int => $shape->integer($key, 0, 100, 50);

        return match ($fill) {
            Fill::Paper => new self(ink: $ink),
            Fill::Tone => new self($fill, $shape->oneOf('tone', ['tint', 'ink', 'accent']), ink: $ink),
            Fill::Colour => new self($fill, colour: $need($colour('colour'), 'colour'), ink: $ink),
            Fill::Gradient => new self($fill, colour: $need($colour('colour'), 'colour'), to: $need($colour('to'), 'to'),
                angle: $shape->integer('angle', 0, 360, 160), ink: $ink, veil: $veil),
            Fill::Picture => new self($fill, picture: $shape->text('picture', 40), focusX: $focus('focusX'), focusY: $focus('focusY'),
                ink: $ink, veil: $veil),
            Fill::Video => new self($fill, picture: $shape->text('picture', 40), video: $shape->text('video', 40),
                focusX: $focus('focusX'), focusY: $focus('focusY'), ink: $ink, veil: $veil),
        };
    }

    public function isPaper(): bool
    {
        return $this->fill === Fill::Paper && $this->ink === null;
    }

    /** The same without the owner's own choices that can make words unreadable. */
    public function readable(): self
    {
        return $this->changed(ink: null, veil: null);
    }

    /**
     * The same with other pictures and videos.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        return $this->changed(picture: $this->picture === null ? null : $ids[$this->picture] ?? $this->picture,
            video: $this->video === null ? null : $ids[$this->video] ?? $this->video);
    }

    /** @return array<string, string|int> empty for the look's paper */
    public function toArray(): array
    {
        if ($this->isPaper()) {
            return [];
        }

        return array_filter([
            'fill' => $this->fill->value,
            'tone' => $this->tone === '' ? null : $this->tone,
            'colour' => $this->colour?->hex(),
            'to' => $this->to?->hex(),
            'angle' => $this->fill === Fill::Gradient ? $this->angle : null,
            'picture' => $this->picture,
            'video' => $this->video,
            'focusX' => $this->picture === null ? null : $this->focusX,
            'focusY' => $this->picture === null ? null : $this->focusY,
            'ink' => $this->ink?->hex(),
            'veil' => $this->veil,
        ], fn (string|int|null $v): bool => $v !== null);
    }
}
