<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What is on a page. Its written form is `docs/formats/page.schema.json`. */
final readonly class Document
{
    /** Older formats are brought up to this one by {@see Migrations}. */
    public const FORMAT = 2;

    /** The address by which its JSON Schema is named. */
    public const SCHEMA = 'https://upbeat-lantern.example/formats/page.schema.json';

    public const MOST_SECTIONS = 80;

    /**
     * @param  list<Section>  $sections
     * @param  string|null  $look  a look for this page alone
     */
    public function __construct(public array $sections, public Background $background, public ?string $look = null)
    {
    }

    /**
     * @param  mixed  $data  decoded JSON, trusted in nothing
     *
     * @throws Invalid when it is no page document, or one of a format this application does not know
     */
    public static function fromArray(mixed $data, string $path = ''): self
    {
        $shape = Shape::of(Migrations::apply(Shape::of($data, $path)->all()), $path);
        if ($shape->integer('format', 0, 1_000_000, 0) !== self::FORMAT) {
            throw Invalid::at($shape->path('format'), 'This page was written by another version of the application.');
        }
        $look = $shape->optionalText('look', 40);
        $document = new self(
            array_map(Section::fromShape(...), $shape->groups('sections', self::MOST_SECTIONS)),
            Background::fromShape($shape->optionalGroup('background')),
            $look === null ? null : Looks::get($look, $shape->path('look'))->id,
        );
        $ids = [];
        foreach ($document->sections as $section) {
            // The blocks of a shared section may stand on a page twice: once for phones and once for desktops.
            array_push($ids, $section->id,
                ...($section->shared !== null ? [] : array_map(fn (Block $b): string => $b->id, $section->blocks)));
        }
        if (count($ids) !== count(array_unique($ids))) {
            throw Invalid::at($shape->path('sections'), 'Two things on this page have the same id.');
        }

        return $document;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $background = $this->background->toArray();

        return ['format' => self::FORMAT]
            + ($this->look === null ? [] : ['look' => $this->look])
            + ($background === [] ? [] : ['background' => $background])
            + ['sections' => array_map(fn (Section $s): array => $s->toArray(), $this->sections)];
    }

    /** @param  list<Section>  $sections */
    public function with(array $sections): self
    {
        return new self($sections, $this->background, $this->look);
    }

    /**
     * Fills the shared sections in.
     *
     * @param  array<string, Section>  $shared  by the id of the shared section; one that is gone shows nothing
     */
    public function withShared(array $shared): self
    {
        return $this->with(array_map(function (Section $s) use ($shared): Section {
            $source = $s->shared === null ? null : $shared[$s->shared] ?? null;

            return $source === null ? $s : new Section($s->id, $source->kind, $source->arrangement, $source->blocks, $source->background,
                $source->look, $s->hidden, $s->shared, $s->entrance);
        }, $this->sections));
    }

    /**
     * The same, speaking of other parts, pages and pictures.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        return new self(array_map(fn (Section $s): Section => $s->withIds($ids), $this->sections), $this->background->withIds($ids),
            $this->look);
    }

    /** @return list<string> the ids of the pages of the funnel that links on it lead to, each once */
    public function pages(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(fn (Section $s): array => $s->pages(), $this->sections))));
    }

    /** @return list<string> the ids of the pop-ups that links on it open, each once */
    public function popups(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(fn (Section $s): array => $s->popups(), $this->sections))));
    }

    /** @return list<string> the ids of other parts of the funnel that stand on the page, each once */
    public function references(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(fn (Block $b): array => $b->references(), $this->blocks()))));
    }

    public function section(string $id): ?Section
    {
        foreach ($this->sections as $section) {
            if ($section->id === $id) {
                return $section;
            }
        }

        return null;
    }

    /** @return list<Block> all blocks, top to bottom */
    public function blocks(): array
    {
        return array_merge([], ...array_map(fn (Section $s): array => $s->blocks, $this->sections));
    }

    public function block(string $id): ?Block
    {
        foreach ($this->blocks() as $block) {
            if ($block->id === $id) {
                return $block;
            }
        }

        return null;
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
        $ids = array_merge([], ...array_map(fn (Block $b): array => $b->pictures(), $this->blocks()));
        foreach ([...array_map(fn (Section $s): Background => $s->background, $this->sections), $this->background] as $background) {
            $ids[] = $background->picture ?? '';
        }

        return array_values(array_unique(array_filter($ids, fn (string $id): bool => $id !== '')));
    }

    /** @return list<string> the ids of the videos used, each once */
    public function videos(): array
    {
        $ids = array_merge([], ...array_map(fn (Block $b): array => $b->videos(), $this->blocks()));
        foreach ([...array_map(fn (Section $s): Background => $s->background, $this->sections), $this->background] as $background) {
            $ids[] = $background->video ?? '';
        }

        return array_values(array_unique(array_filter($ids, fn (string $id): bool => $id !== '')));
    }

    /** @return list<string> the ids of the looks used beside the funnel's own */
    public function looks(): array
    {
        return array_values(array_unique(array_filter([$this->look, ...array_map(fn (Section $s): ?string => $s->look, $this->sections)],
            fn (?string $l): bool => $l !== null)));
    }

    /** @return list<string> the ids of the shared sections used, each once */
    public function shared(): array
    {
        return array_values(array_unique(array_filter(array_map(fn (Section $s): ?string => $s->shared, $this->sections),
            fn (?string $s): bool => $s !== null)));
    }
}
