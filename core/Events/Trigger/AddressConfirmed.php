<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody who was asked whether an address is theirs, by a certain form, says that it is. */
final readonly class AddressConfirmed implements Trigger
{
    public function __construct(public string $form)
    {
    }

    public static function kind(): string
    {
        return 'confirmed';
    }

    public static function label(): string
    {
        return 'They confirm their address';
    }

    public static function fields(): array
    {
        return ['form' => 'form'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('form', 40));
    }

    public static function keyOf(string $form): string
    {
        return "confirmed:{$form}";
    }

    public function key(): string
    {
        return self::keyOf($this->form);
    }

    public function words(callable $name): string
    {
        return "Confirmed their address in “{$name($this->form)}”";
    }

    public function when(callable $name): string
    {
        return "confirm their address in “{$name($this->form)}”";
    }

    public function references(): array
    {
        return [$this->form];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->form] ?? $this->form);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'form' => $this->form];
    }
}
