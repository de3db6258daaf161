<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Support\Shape;

/** What is given away: a title, and the file once there is one. */
final readonly class LeadMagnet
{
    public function __construct(
        public string $id,
        public string $title,
        public ?string $file = null,
        public string $fileName = '',
        public string $mime = '',
        public int $bytes = 0,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('id', 40), $shape->text('title', 200), $shape->optionalText('file', 40),
            $shape->text('fileName', 255, ''), $shape->text('mime', 120, ''), $shape->integer('bytes', 0, PHP_INT_MAX, 0));
    }

    /** Such as "PDF, 1.2 MB": what a visitor is about to download. Decimal megabytes, as browsers show them. */
    public function kindAndSize(): string
    {
        if ($this->file === null) {
            return '';
        }
        $kind = strtoupper(pathinfo($this->fileName, PATHINFO_EXTENSION));
        $size = $this->bytes >= 1_000_000
            ? number_format($this->bytes / 1_000_000, 1).' MB'
            : max(1, (int) round($this->bytes / 1000)).' KB';

        return $kind === '' ? $size : "{$kind}, {$size}";
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'title' => $this->title]
            + ($this->file === null ? [] : ['file' => $this->file, 'fileName' => $this->fileName, 'mime' => $this->mime, 'bytes' => $this->bytes]);
    }
}
