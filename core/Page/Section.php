<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Entrance;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Block\FieldType;
use Lantern\Core\Page\Block\Hidden;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;

/**
 * A part of a page, across its whole width. One that is shared holds no blocks of its own in a draft: they come from
 * the shared section it names (see {@see Document::withShared()}).
 */
final readonly class Section
{
    use Rebuilt;

    public const MOST_BLOCKS = 30;

    /**
     * @param  list<Block>  $blocks
     * @param  string|null  $look  a look of its own
     * @param  string|null  $shared  the id of the shared section
     */
    public function __construct(
        public string $id,
        public SectionKind $kind,
        public Arrangement $arrangement,
        public array $blocks,
        public Background $background,
        public ?string $look = null,
        public Hidden $hidden = Hidden::Nowhere,
        public ?string $shared = null,
        public Entrance $entrance = Entrance::None,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $look = $shape->optionalText('look', 40);

        return new self(
            Block::id($shape),
            $shape->choice('kind', SectionKind::class),
            $shape->choice('arrangement', Arrangement::class, Arrangement::Centred->value),
            array_map(Block::fromShape(...), $shape->groups('blocks', self::MOST_BLOCKS)),
            Background::fromShape($shape->optionalGroup('background')),
            $look === null ? null : Looks::get($look, $shape->path('look'))->id,
            Hidden::fromShape($shape),
            $shape->optionalText('shared', 40),
            Entrance::fromShape($shape),
        );
    }

    /**
     * @param  list<Block>|null  $blocks
     */
    public function with(?array $blocks = null, ?Arrangement $arrangement = null, ?Background $background = null): self
    {
        return $this->changed(arrangement: $arrangement ?? $this->arrangement, blocks: $blocks ?? $this->blocks,
            background: $background ?? $this->background);
    }

    /**
     * The same with ids of its own.
     *
     * @param  callable(): string  $newId
     */
    public function copy(callable $newId): self
    {
        return $this->changed(id: $newId(), blocks: array_map(fn (Block $b): Block => $b->withId($newId()), $this->blocks));
    }

    /** @return list<string> the ids of other parts of the funnel that stand in it */
    public function references(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(fn (Block $b): array => $b->references(), $this->blocks))));
    }

    /** @return list<string> the ids of the pages of the funnel that links in it lead to, each once */
    public function pages(): array
    {
        return $this->targets('page');
    }

    /** @return list<string> the ids of the pop-ups that links in it open, each once */
    public function popups(): array
    {
        return array_values(array_diff($this->targets('popup'), Link::STEPS));
    }

    /** @return list<string> */
    private function targets(string $kind): array
    {
        $links = array_map(Link::read(...), array_merge([], ...array_map(fn (Block $b): array => $b->links(), $this->blocks)));

        return array_values(array_unique(array_map(fn (Link $l): string => $l->target,
            array_filter($links, fn (Link $l): bool => $l->kind === $kind))));
    }

    /** @return list<string> the ids of the pictures and videos in it and behind it */
    public function uploads(): array
    {
        $ids = array_merge([], ...array_map(fn (Block $b): array => [...$b->pictures(), ...$b->videos()], $this->blocks));

        return array_values(array_unique(array_filter([...$ids, $this->background->picture, $this->background->video], is_string(...))));
    }

    /**
     * The same, speaking of other parts, pages and pictures. Its own id stays.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        return $this->changed(blocks: array_map(fn (Block $b): Block => $b->withIds($ids), $this->blocks),
            background: $this->background->withIds($ids), shared: $this->shared === null ? null : $ids[$this->shared] ?? $this->shared);
    }

    /** The same as a section of its own, shown everywhere. */
    public function unshared(string $id): self
    {
        return $this->changed(id: $id, hidden: Hidden::Nowhere, shared: null, entrance: Entrance::None);
    }

    /**
     * The same with ids of its own, for another page or another funnel: the forms and downloads it shows are exchanged,
     * and links to pages that are not there lead nowhere.
     *
     * @param  callable(): string  $newId
     * @param  callable(string $kind, string $id): string  $part  the part of that kind to show in place of another
     * @param  callable(string): bool  $hasPage
     */
    public function fitted(callable $newId, callable $part, callable $hasPage): self
    {
        $copy = $this->copy($newId);
        $fitted = fn (Field $field, string $value): string => match (true) {
            $field->type === FieldType::Reference => $part($field->to, $value),
            $field->type === FieldType::Link && Link::read($value)->kind === 'page' && ! $hasPage(Link::read($value)->target) => '',
            default => $value,
        };

        return $copy->with(array_map(fn (Block $b): Block => $b->map($fitted), $copy->blocks));
    }

    /**
     * A section of its own, unless it is one of these shared ones.
     *
     * @param  list<string>  $shared
     */
    public function unsharedUnless(array $shared): self
    {
        return $this->shared === null || in_array($this->shared, $shared, true) ? $this
            : $this->changed(shared: null);
    }

    public function is(BlockKind ...$kinds): bool
    {
        return array_filter($this->blocks, fn (Block $b): bool => in_array($b->kind, $kinds, true)) !== [];
    }

    /** What an owner would call it in a list: its first words, else what it is for. */
    public function title(): string
    {
        foreach ([BlockKind::Heading, null] as $kind) {
            foreach ($this->blocks as $block) {
                if (($kind === null || $block->kind === $kind) && $block->words() !== '') {
                    return mb_strimwidth($block->words(), 0, 60, '…');
                }
            }
        }

        return $this->kind->label();
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $background = $this->background->toArray();

        return ['id' => $this->id, 'kind' => $this->kind->value, 'arrangement' => $this->arrangement->value]
            + ($this->look === null ? [] : ['look' => $this->look])
            + Hidden::written($this->hidden)
            + Entrance::written($this->entrance)
            + ($this->shared === null ? [] : ['shared' => $this->shared])
            + ($background === [] ? [] : ['background' => $background])
            + ['blocks' => array_map(fn (Block $b): array => $b->toArray(), $this->blocks)];
    }
}
