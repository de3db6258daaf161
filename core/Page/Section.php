<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Support\Shape;

final readonly class Section
{
    public const MOST_BLOCKS = 30;

    /** @param  list<Block>  $blocks */
    public function __construct(
        public string $id,
        public SectionKind $kind,
        public Arrangement $arrangement,
        public array $blocks,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            Block::id($shape),
            $shape->choice('kind', SectionKind::class),
            $shape->choice('arrangement', Arrangement::class, Arrangement::Centred->value),
            array_map(Block::fromShape(...), $shape->groups('blocks', self::MOST_BLOCKS)),
        );
    }

    /** @return array{id: string, kind: string, arrangement: string, blocks: list<array<string, string>>} */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'arrangement' => $this->arrangement->value,
            'blocks' => array_map(fn (Block $b): array => $b->toArray(), $this->blocks),
        ];
    }
}
