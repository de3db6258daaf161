<?php

declare(strict_types=1);

namespace Lantern\Core\Parts;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * Something a funnel is made of: a page, a form, an email … Storing, copying, archives, changes, checks and the Studio
 * know this contract and no kinds; {@see \Lantern\Core\Plan\PartKinds} lists those.
 */
interface Part
{
    /** Its name in written form. */
    public static function kind(): string;

    /** In a sentence: "form". */
    public static function label(): string;

    /** How many of it a funnel has at most. */
    public static function most(): int;

    /** @return array<string, mixed> what its written form may hold beside its kind and its id, as a JSON Schema; see {@see Written} */
    public static function schema(): array;

    /** @throws Invalid by the place of what is wrong */
    public static function fromShape(Shape $shape): self;

    public function id(): string;

    /** What its owner calls it. */
    public function name(): string;

    /** @return list<string> ids of the other parts it speaks of */
    public function references(): array;

    /** @return list<string> ids of the other parts that cannot be removed while it is there */
    public function needs(): array;

    /** @return list<string> ids of the pictures, videos and files it shows or hands over */
    public function uploads(): array;

    /**
     * The same with an id of its own, speaking of other parts and uploads.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self;

    /**
     * What differs from how it was before, in sentences for its owner.
     *
     * @param  Part  $before  of the same kind, with the same id
     * @return list<string>
     */
    public function changesSince(self $before): array;

    /** @return array<string, mixed> with its id, and without its kind */
    public function toArray(): array;
}
