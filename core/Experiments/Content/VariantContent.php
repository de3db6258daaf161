<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What a variant has of its own. All else is that of the part it is a variant of, as it is at any time. */
interface VariantContent
{
    /** A copy of what there is; null where the part is of another kind. */
    public static function ofPart(Part $part): ?self;

    /** @throws Invalid by the place of what is wrong */
    public static function fromShape(Shape $shape): self;

    /** @return array<string, array<string, mixed>> the fields of its written form, as JSON Schemas */
    public static function schema(): array;

    /** @return list<string> the names of those fields that are never left out */
    public static function required(): array;

    /**
     * Any part of a funnel as it is for whoever got the variant.
     *
     * @param  string  $tested  the id of the part that the test is of
     */
    public function on(Part $part, string $tested): Part;

    /** What is worked on at the page desk, where it is that. */
    public function document(): ?Document;

    /** The same with another one; as it is where it has none. */
    public function withDocument(Document $document): self;

    /**
     * What visitors or readers get, as far as variants change it: told apart, it shows that something differs or was changed.
     *
     * @param  string  $tested  the id of the part that the test is of
     * @param  list<Part>  $parts  of the funnel, as they are for some of them
     * @return array<array-key, mixed>
     */
    public static function shown(string $tested, array $parts): array;

    /** @return list<string> ids of the parts that cannot be removed while it is there */
    public function needs(): array;

    /** @return list<string> ids of the parts it speaks of */
    public function references(): array;

    /** @return list<string> ids of the pictures and videos it shows */
    public function uploads(): array;

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
