<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** A payment for a certain offer does not go through: the first one, or a later one of a plan. */
final readonly class PaymentFailed implements Trigger
{
    public function __construct(public string $offer)
    {
    }

    public static function kind(): string
    {
        return 'payment-failed';
    }

    public static function label(): string
    {
        return 'A payment of theirs fails';
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
        return "payment-failed:{$offer}";
    }

    public function key(): string
    {
        return self::keyOf($this->offer);
    }

    public function words(callable $name): string
    {
        return "A payment for “{$name($this->offer)}” failed";
    }

    public function when(callable $name): string
    {
        return "fail to pay for “{$name($this->offer)}”";
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
