<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Languages\Language;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;
use MessageFormatter;

/** What is given away: a title, and the file or the guide once there is one, or both. */
final readonly class LeadMagnet implements Part
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public string $title,
        public ?string $file = null,
        public string $fileName = '',
        public string $mime = '',
        public int $bytes = 0,
        public ?string $guide = null,
    ) {
    }

    public static function kind(): string
    {
        return 'lead-magnet';
    }

    public static function label(): string
    {
        return 'lead magnet';
    }

    public static function most(): int
    {
        return 10;
    }

    public static function fromShape(Shape $shape): self
    {
        $title = trim($shape->text('title', 200));
        if ($title === '') {
            throw Invalid::at($shape->path('title'), 'What is it called? Visitors will read this.');
        }

        return new self($shape->text('id', 40), $title, $shape->optionalText('file', 40),
            $shape->text('fileName', 255, ''), $shape->text('mime', 120, ''), $shape->integer('bytes', 0, PHP_INT_MAX, 0),
            $shape->optionalText('guide', 40));
    }

    public function name(): string
    {
        return $this->title;
    }

    /** Is there anything to hand over? */
    public function isThere(): bool
    {
        return $this->file !== null || $this->guide !== null;
    }

    public function references(): array
    {
        return $this->guide === null ? [] : [$this->guide];
    }

    public function uploads(): array
    {
        return $this->file === null ? [] : [$this->file];
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, file: $this->file === null ? null : $ids[$this->file] ?? $this->file,
            guide: $this->guide === null ? null : $ids[$this->guide] ?? $this->guide);
    }

    /** The same with another file. */
    public function withFile(string $file, string $name, string $mime, int $bytes): self
    {
        return $this->changed(file: $file, fileName: $name, mime: $mime, bytes: $bytes);
    }

    public function withGuide(?string $guide): self
    {
        return $this->changed(guide: $guide);
    }

    public function titled(string $title): self
    {
        return $this->changed(title: $title);
    }

    /** Such as "PDF, 1.2 MB": what a visitor is about to download. Decimal megabytes, as browsers show them, in the units of ICU. */
    public function kindAndSize(Language $language): string
    {
        if ($this->file === null) {
            return '';
        }
        $kind = strtoupper(pathinfo($this->fileName, PATHINFO_EXTENSION));
        [$unit, $amount] = $this->bytes >= 1_000_000 ? ['megabyte .0', $this->bytes / 1_000_000]
            : ['kilobyte precision-integer', max(1, (int) round($this->bytes / 1000))];
        $size = (string) MessageFormatter::formatMessage($language->locale(), "{size, number, ::unit/{$unit}}", ['size' => $amount]);

        return $kind === '' ? $size : "{$kind}, {$size}";
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'title' => Written::text(200, least: 1), 'file' => Written::id(), 'fileName' => Written::text(255),
            'mime' => Written::text(120),
            'bytes' => Written::whole(0), 'guide' => Written::id('the guide that it is, or that comes beside the file'),
        ], ['title']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'title' => $this->title]
            + ($this->file === null ? []
                : ['file' => $this->file, 'fileName' => $this->fileName, 'mime' => $this->mime, 'bytes' => $this->bytes])
            + ($this->guide === null ? [] : ['guide' => $this->guide]);
    }
}
