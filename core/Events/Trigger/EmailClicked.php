<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody follows a link in an email. A program that looks links over does not. */
final readonly class EmailClicked implements Trigger
{
    public function __construct(public string $email)
    {
    }

    public static function kind(): string
    {
        return 'click';
    }

    public static function label(): string
    {
        return 'They click in an email';
    }

    public static function fields(): array
    {
        return ['email' => 'email'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('email', 40));
    }

    public static function keyOf(string $email): string
    {
        return "clicked:{$email}";
    }

    public function key(): string
    {
        return self::keyOf($this->email);
    }

    public function words(callable $name): string
    {
        return "Clicked in “{$name($this->email)}”";
    }

    public function when(callable $name): string
    {
        return "click in “{$name($this->email)}”";
    }

    public function references(): array
    {
        return [$this->email];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->email] ?? $this->email);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'email' => $this->email];
    }
}
