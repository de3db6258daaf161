<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A file that a buyer may download: its id in the library, and what the library says it is. */
final readonly class ProductFile
{
    public function __construct(public string $id, public string $name, public string $mime = '', public int $bytes = 0)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('id', 40), $shape->text('name', 255), $shape->text('mime', 120, ''),
            $shape->integer('bytes', 0, PHP_INT_MAX, 0));
    }

    public function withId(string $id): self
    {
        return new self($id, $this->name, $this->mime, $this->bytes);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'id' => Written::id(), 'name' => Written::text(255), 'mime' => Written::text(120), 'bytes' => Written::whole(0),
        ], ['id', 'name']);
    }

    /** @return array{id: string, name: string, mime: string, bytes: int} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'mime' => $this->mime, 'bytes' => $this->bytes];
    }
}
