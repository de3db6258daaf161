<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody is paid back for a certain offer, wholly or in part. */
final readonly class OfferRefunded implements Trigger
{
    public function __construct(public string $offer)
    {
    }

    public static function kind(): string
    {
        return 'refunded';
    }

    public static function label(): string
    {
        return 'They get their money back';
    }

    public static function fields(): array
    {
        return ['offer' => 'offer'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('offer', 40));
    }

    public static function keyOf(string $offer): string
    {
        return "refunded:{$offer}";
    }

    public function key(): string
    {
        return self::keyOf($this->offer);
    }

    public function words(callable $name): string
    {
        return "Got money back for “{$name($this->offer)}”";
    }

    public function when(callable $name): string
    {
        return "get their money back for “{$name($this->offer)}”";
    }

    public function references(): array
    {
        return [$this->offer];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->offer] ?? $this->offer);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'offer' => $this->offer];
    }
}
