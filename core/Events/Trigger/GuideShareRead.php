<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody has read so much of a guide. */
final readonly class GuideShareRead implements Trigger
{
    public const USUAL = 50;

    /** @param  int  $share  in percent of its pages, in tens */
    public function __construct(public string $guide, public int $share = self::USUAL)
    {
    }

    public static function kind(): string
    {
        return 'guide-share';
    }

    public static function label(): string
    {
        return 'They read a share of a guide';
    }

    public static function fields(): array
    {
        return ['guide' => 'guide', 'share' => 'share'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('guide', 40), 10 * (int) round($shape->integer('share', 10, 100, self::USUAL) / 10));
    }

    public static function keyOf(string $guide, int $share): string
    {
        return "guide-share:{$guide}:{$share}";
    }

    /**
     * Of all shares that somebody has come to.
     *
     * @return list<string>
     */
    public static function keysOf(string $guide, int $from, int $to): array
    {
        return array_values(array_map(fn (int $share): string => self::keyOf($guide, $share),
            array_filter(range(10, 100, 10), fn (int $share): bool => $share > $from && $share <= $to)));
    }

    public function key(): string
    {
        return self::keyOf($this->guide, $this->share);
    }

    public function words(callable $name): string
    {
        return "Read {$this->share} % of “{$name($this->guide)}”";
    }

    public function when(callable $name): string
    {
        return "read {$this->share} % of “{$name($this->guide)}”";
    }

    public function references(): array
    {
        return [$this->guide];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->guide] ?? $this->guide, $this->share);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'guide' => $this->guide] + ($this->share === self::USUAL ? [] : ['share' => $this->share]);
    }
}
