<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Experiments\Content\VariantContent;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Another version of what a split test is of. Its name is the owner's note of what differs. */
final readonly class Variant implements Part
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public string $name,
        public string $test,
        public string $letter,
        public VariantContent $content,
        public int $weight = 1,
        public Tested $of = Tested::Page,
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

        $of = $shape->choice('of', Tested::class, Tested::Page->value);

        return new self($shape->text('id', 40), $name, $shape->text('test', 40), $letter, $of->content()::fromShape($shape),
            $shape->integer('weight', 0, SplitTest::MOST_WEIGHT, 1), $of);
    }

    public function with(VariantContent $content): self
    {
        return $this->changed(content: $content);
    }

    /**
     * The same with what its document becomes, where it has one.
     *
     * @param  callable(Document): Document  $change
     */
    public function onDocument(callable $change): self
    {
        $document = $this->content->document();

        return $document === null ? $this : $this->with($this->content->withDocument($change($document)));
    }

    public function needs(): array
    {
        return $this->content->needs();
    }

    public function references(): array
    {
        return [$this->test, ...$this->content->references()];
    }

    public function uploads(): array
    {
        return $this->content->uploads();
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, test: $ids[$this->test] ?? $this->test,
            content: $this->content->withIds($ids));
    }

    public static function schema(): array
    {
        $content = array_merge(...array_map(fn (Tested $of): array => $of->content()::schema(), Tested::cases()));

        return Written::group(['name' => Written::text(120, 'what is different'), 'test' => Written::id('the split test it belongs to'),
            'letter' => Written::choice(array_slice(SplitTest::LETTERS, 1)), 'weight' => Written::whole(0, SplitTest::MOST_WEIGHT),
            'of' => Written::choice(Tested::class, 'what the test is of: a page where it is not said. A page has a document; an email '
                .'a subject and a body; a pop-up a document, a frame and triggers; the timing of a sequence its timings')] + $content,
            ['name', 'test', 'letter']);
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'test' => $this->test, 'letter' => $this->letter, 'weight' => $this->weight]
            + ($this->of === Tested::Page ? [] : ['of' => $this->of->value]) + $this->content->toArray();
    }
}
