<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The owner gets an email that says who it was. */
final readonly class TellsOwner implements Act
{
    use OfNoPart;

    private const KIND = 'tell';

    public function __construct(public string $words)
    {
    }

    public static function label(): string
    {
        return 'Tell me by email';
    }

    public static function fields(): array
    {
        return ['words' => 'words'];
    }

    public static function fromShape(Shape $shape): self
    {
        $words = trim($shape->text('words', 500, ''));

        return $words === '' ? throw Invalid::at($shape->path('words'), 'Please say what you want to be told.') : new self($words);
    }

    public function words(callable $name): string
    {
        return "you are told “{$this->words}”";
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'words' => $this->words];
    }
}
