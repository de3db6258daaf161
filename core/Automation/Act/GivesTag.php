<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Support\Shape;

/** They get a tag. Whoever has it already does not get it anew, and nothing follows from it. */
final readonly class GivesTag implements Act
{
    use OfNoPart;

    private const KIND = 'tag';

    public function __construct(public string $tag)
    {
    }

    public static function label(): string
    {
        return 'Give a tag';
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
        return "they get the tag “{$this->tag}”";
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'tag' => $this->tag];
    }
}
