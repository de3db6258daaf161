<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Page\Document;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Shape;

/** Another document for a page. */
final readonly class PageContent implements VariantContent
{
    use OfDocument;

    public function __construct(private Document $document)
    {
    }

    public static function ofPart(Part $part): ?self
    {
        return $part instanceof HoldsDocument ? new self($part->document()) : null;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Document::fromArray($shape->group('document')->all(), $shape->path('document')));
    }

    public static function schema(): array
    {
        return ['document' => ['$ref' => Document::SCHEMA]];
    }

    public function on(Part $part, string $tested): Part
    {
        return $part instanceof HoldsDocument && $part->id() === $tested ? $part->with($this->document) : $part;
    }

    public static function shown(string $tested, array $parts): array
    {
        foreach ($parts as $part) {
            if ($part instanceof HoldsDocument && $part->id() === $tested) {
                return $part->document()->toArray();
            }
        }

        return [];
    }

    public function withIds(array $ids): self
    {
        return new self($this->document->withIds($ids));
    }

    public function withDocument(Document $document): self
    {
        return new self($document);
    }

    public function toArray(): array
    {
        return ['document' => $this->document->toArray()];
    }
}
