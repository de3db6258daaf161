<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Another version of a page in a split test. Its name is the owner's note of what differs. */
final readonly class Variant implements Part
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public string $name,
        public string $test,
        public string $letter,
        public Document $document,
        public int $weight = 1,
    ) {
    }

    public static function kind(): string
    {
        return 'variant';
    }

    public static function label(): string
    {
        return 'variant';
    }

    public static function most(): int
    {
        return 40;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please say in a few words what is different. Only you will see it.');
        }
        $letter = $shape->oneOf('letter', array_slice(SplitTest::LETTERS, 1));

        return new self($shape->text('id', 40), $name, $shape->text('test', 40), $letter,
            Document::fromArray($shape->group('document')->all(), $shape->path('document')),
            $shape->integer('weight', 0, SplitTest::MOST_WEIGHT, 1));
    }

    public function with(Document $document): self
    {
        return $this->changed(document: $document);
    }

    public function needs(): array
    {
        return [...$this->document->references(), ...$this->document->shared()];
    }

    public function references(): array
    {
        return [$this->test, ...$this->needs(), ...$this->document->pages()];
    }

    public function uploads(): array
    {
        return array_values(array_unique([...$this->document->pictures(), ...$this->document->videos()]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, test: $ids[$this->test] ?? $this->test,
            document: $this->document->withIds($ids));
    }

    public static function schema(): array
    {
        return Written::group(['name' => Written::text(120, 'what is different'), 'test' => Written::id('the split test it belongs to'),
            'letter' => Written::choice(array_slice(SplitTest::LETTERS, 1)), 'weight' => Written::whole(0, SplitTest::MOST_WEIGHT),
            'document' => ['$ref' => Document::SCHEMA]], ['name', 'test', 'letter', 'document']);
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'test' => $this->test, 'letter' => $this->letter, 'weight' => $this->weight,
            'document' => $this->document->toArray()];
    }
}
