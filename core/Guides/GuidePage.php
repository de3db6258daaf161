<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Page\Document;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Page\Section;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** One page of a guide: its cover, or one after it. Readers find it among the contents by its name. */
final readonly class GuidePage implements HoldsDocument
{
    use PlainPart;
    use Rebuilt;

    public function __construct(public string $id, public string $guide, public string $name, public Document $document,
        public bool $hidden = false)
    {
    }

    public static function kind(): string
    {
        return 'guide-page';
    }

    public static function label(): string
    {
        return 'page of a guide';
    }

    public static function most(): int
    {
        return 2 * Guide::MOST_PAGES;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the page a name. Readers find it by that among the contents.');
        }

        return new self($shape->text('id', 40), $shape->text('guide', 40), $name,
            Document::fromArray($shape->group('document')->all(), $shape->path('document')), $shape->flag('hidden'));
    }

    public function document(): Document
    {
        return $this->document;
    }

    public function with(Document $document): self
    {
        return $this->changed(document: $document);
    }

    public function named(string $name): self
    {
        return $this->changed(name: $name);
    }

    public function needs(): array
    {
        return [$this->guide, ...$this->document->references(), ...$this->document->shared()];
    }

    public function references(): array
    {
        return [...$this->needs(), ...$this->document->pages()];
    }

    public function uploads(): array
    {
        return array_values(array_unique([...$this->document->pictures(), ...$this->document->videos()]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, guide: $ids[$this->guide] ?? $this->guide,
            document: $this->document->withIds($ids));
    }

    /**
     * The same as another page, with ids of its own.
     *
     * @param  callable(): string  $newId
     */
    public function copy(callable $newId, string $name): self
    {
        return $this->changed(id: $newId(), name: $name, document: $this->document->with(
            array_map(fn (Section $s): Section => $s->copy($newId), $this->document->sections)));
    }

    /**
     * Its sections as they stand among those of the other pages: each in the look and on the ground of its own page.
     *
     * @return list<Section>
     */
    public function sections(): array
    {
        $ground = $this->document->background;

        return array_map(fn (Section $s): Section => new Section($s->id, $s->kind, $s->arrangement, $s->blocks,
            $s->background->isPaper() && ! $ground->isPaper() ? $ground : $s->background, $s->look ?? $this->document->look, $s->hidden,
            $s->shared, $s->entrance), $this->document->sections);
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self || $before->toArray() === $this->toArray()) {
            return [];
        }

        return [match (true) {
            $before->hidden !== $this->hidden => ($this->hidden ? 'Hidden' : 'Shown again').": the page “{$this->name}” of the guide.",
            $before->name !== $this->name => "The page “{$this->name}” of the guide was called “{$before->name}”.",
            default => "Changed page of the guide: “{$this->name}”.",
        }];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'guide' => Written::id('the guide it belongs to'), 'name' => Written::text(120, least: 1),
            'document' => ['$ref' => Document::SCHEMA], 'hidden' => Written::flag('readers do not see it'),
        ], ['guide', 'name', 'document']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'guide' => $this->guide, 'name' => $this->name, 'document' => $this->document->toArray()]
            + ($this->hidden ? ['hidden' => true] : []);
    }
}
