<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody is in by a form: filled it in, and confirmed where it asks for that. */
final readonly class FormFilledIn implements Trigger
{
    public function __construct(public string $form)
    {
    }

    public static function kind(): string
    {
        return 'form';
    }

    public static function label(): string
    {
        return 'They fill in a form';
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
        return "form:{$form}";
    }

    public function key(): string
    {
        return self::keyOf($this->form);
    }

    public function words(callable $name): string
    {
        return "Filled in “{$name($this->form)}”";
    }

    public function when(callable $name): string
    {
        return "fill in “{$name($this->form)}”";
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
