<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A note is written of them, for the owner alone. */
final readonly class WritesNote implements Act
{
    use OfNoPart;

    private const KIND = 'note';

    public function __construct(public string $words)
    {
    }

    public static function label(): string
    {
        return 'Write a note';
    }

    public static function fields(): array
    {
        return ['words' => 'words'];
    }

    public static function fromShape(Shape $shape): self
    {
        $words = trim($shape->text('words', 500, ''));

        return $words === '' ? throw Invalid::at($shape->path('words'), 'Please write the note.') : new self($words);
    }

    public function words(callable $name): string
    {
        return "the note “{$this->words}” is written";
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'words' => $this->words];
    }
}
