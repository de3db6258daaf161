<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Support\Shape;

/** They lose a tag. */
final readonly class TakesTag implements Act
{
    use OfNoPart;

    private const KIND = 'untag';

    public function __construct(public string $tag)
    {
    }

    public static function label(): string
    {
        return 'Take a tag away';
    }

    public static function fields(): array
    {
        return ['tag' => 'tag'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(TagAdded::fromShape($shape)->tag);
    }

    public function words(callable $name): string
    {
        return "they lose the tag “{$this->tag}”";
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'tag' => $this->tag];
    }
}
