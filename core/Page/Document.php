<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What is on a page. Its written form is `docs/formats/page.schema.json`. */
final readonly class Document
{
    public const FORMAT = 1;

    public const MOST_SECTIONS = 80;

    /** @param  list<Section>  $sections */
    public function __construct(public array $sections, public Background $background = new Background)
    {
    }

    /**
     * @param  mixed  $data  decoded JSON, trusted in nothing
     *
     * @throws Invalid when it is no page document, or one of a format this application does not know
     */
    public static function fromArray(mixed $data, string $path = ''): self
    {
        $shape = Shape::of($data, $path);
        if ($shape->integer('format', 0, 1_000_000, 0) !== self::FORMAT) {
            throw Invalid::at($shape->path('format'), 'This page was written by another version of the application.');
        }
        $sections = array_map(Section::fromShape(...), $shape->groups('sections', self::MOST_SECTIONS));
        $document = new self($sections, Background::fromShape($shape->optionalGroup('background')));
        $ids = [];
        foreach ($document->sections as $section) {
            array_push($ids, $section->id, ...array_map(fn (Block $b): string => $b->id, $section->blocks));
        }
        if (count($ids) !== count(array_unique($ids))) {
            throw Invalid::at($shape->path('sections'), 'Two things on this page have the same id.');
        }

        return $document;
    }

    /** @return array{format: int, background?: array{colour?: string, picture?: string}, sections: list<array<string, mixed>>} */
    public function toArray(): array
    {
        $background = $this->background->toArray();

        return ['format' => self::FORMAT]
            + ($background === [] ? [] : ['background' => $background])
            + ['sections' => array_map(fn (Section $s): array => $s->toArray(), $this->sections)];
    }

    /** @return list<Block> all blocks, top to bottom */
    public function blocks(): array
    {
        return array_merge([], ...array_map(fn (Section $s): array => $s->blocks, $this->sections));
    }

    /** @return list<Block> */
    public function blocksOf(BlockKind $kind): array
    {
        return array_values(array_filter($this->blocks(), fn (Block $b): bool => $b->kind === $kind));
    }

    /** The first heading's words: what a visitor would call this page. */
    public function headline(): string
    {
        return ($this->blocksOf(BlockKind::Heading)[0] ?? null)?->words() ?? '';
    }

    /** @return list<string> the ids of the pictures used, each once */
    public function pictures(): array
    {
        $ids = array_map(fn (Block $b): string => $b->field('picture'), $this->blocks());
        $ids[] = $this->background->picture ?? '';

        return array_values(array_unique(array_filter($ids, fn (string $id): bool => $id !== '')));
    }
}
