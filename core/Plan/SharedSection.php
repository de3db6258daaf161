<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A section kept once and shown on many pages, such as a footer. Its section has its own id, wherever it is shown. */
final readonly class SharedSection implements Part
{
    use PlainPart;

    public Section $section;

    public function __construct(public string $id, public string $name, Section $section)
    {
        $this->section = $section->unshared($id);
    }

    public static function kind(): string
    {
        return 'shared-section';
    }

    public static function label(): string
    {
        return 'shared section';
    }

    public static function most(): int
    {
        return 30;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the shared section a name. Only you will see it.');
        }

        return new self($shape->text('id', 40), $name, Section::fromShape($shape->group('section')));
    }

    public function needs(): array
    {
        return $this->section->references();
    }

    public function references(): array
    {
        return [...$this->needs(), ...$this->section->pages()];
    }

    public function uploads(): array
    {
        return $this->section->uploads();
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->id] ?? $this->id, $this->name, $this->section->withIds($ids));
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, least: 1), 'section' => ['$ref' => Document::SCHEMA.'#/$defs/section'],
        ], ['name', 'section'], 'a section kept once; the pages that show it hold its content too');
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'section' => $this->section->toArray()];
    }
}
