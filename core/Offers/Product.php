<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What a buyer gets, and the name they see: tags, files, a sequence that starts, a page or an address that opens. */
final readonly class Product implements Part
{
    use PlainPart;
    use Rebuilt;

    public const MOST_FILES = 30;

    /**
     * @param  string  $name  the name that buyers see
     * @param  string  $line  one sentence on what it is, for the checkout; '' for none
     * @param  list<string>  $tags
     * @param  list<ProductFile>  $files
     * @param  string|null  $sequence  id of the sequence that starts
     * @param  string|null  $page  id of the page of the funnel that opens to its buyers alone
     * @param  string  $url  an address elsewhere that they are led to; '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $line = '',
        public array $tags = [],
        public array $files = [],
        public ?string $sequence = null,
        public ?string $page = null,
        public string $url = '',
    ) {
    }

    public static function kind(): string
    {
        return 'product';
    }

    public static function label(): string
    {
        return 'product';
    }

    public static function most(): int
    {
        return 30;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'What is it called? Your buyers will read this.');
        }
        $url = trim($shape->text('url', 2000, ''));
        if ($url !== '' && preg_match('~^https?://[^\s<>"\\\\]+$~iD', $url) !== 1) {
            throw Invalid::at($shape->path('url'), 'A web address begins with https://.');
        }
        $tags = [];
        foreach ($shape->texts('tags', 20, 60) as $tag) {
            $tag = trim((string) preg_replace('/\s+/u', ' ', $tag));
            $tags[mb_strtolower($tag)] ??= $tag;
        }
        unset($tags['']);

        return new self($shape->text('id', 40), $name, trim($shape->text('line', 300, '')), array_values($tags),
            array_map(ProductFile::fromShape(...), $shape->groups('files', self::MOST_FILES)), $shape->optionalText('sequence', 40),
            $shape->optionalText('page', 40), $url);
    }

    public function references(): array
    {
        return array_values(array_filter([$this->sequence, $this->page], is_string(...)));
    }

    public function uploads(): array
    {
        return array_map(fn (ProductFile $f): string => $f->id, $this->files);
    }

    public function withIds(array $ids): self
    {
        $new = fn (?string $id): ?string => $id === null ? null : $ids[$id] ?? $id;

        return $this->changed(id: $ids[$this->id] ?? $this->id, sequence: $new($this->sequence), page: $new($this->page),
            files: array_map(fn (ProductFile $f): ProductFile => $f->withId($ids[$f->id] ?? $f->id), $this->files));
    }

    /** Does a buyer get anything at all? */
    public function delivers(): bool
    {
        return $this->opensAnything() || $this->tags !== [] || $this->sequence !== null;
    }

    /** Is there anything to open or download? */
    public function opensAnything(): bool
    {
        return $this->files !== [] || $this->page !== null || $this->url !== '';
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'as buyers read it', 1), 'line' => Written::text(300),
            'tags' => Written::listOf(Written::text(60), 20), 'files' => Written::listOf(ProductFile::schema(), self::MOST_FILES),
            'sequence' => Written::id('that starts'), 'page' => Written::id('that opens to buyers alone'),
            'url' => Written::shaped('^https?://', 2000),
        ], ['name']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name] + array_filter(['line' => $this->line, 'tags' => $this->tags,
            'files' => array_map(fn (ProductFile $f): array => $f->toArray(), $this->files), 'sequence' => $this->sequence,
            'page' => $this->page, 'url' => $this->url], fn (array|string|null $v): bool => $v !== null && $v !== '' && $v !== []);
    }
}
