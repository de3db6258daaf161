<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Something that a rule does for somebody. A kind of act is one class; {@see Acts} lists them. */
interface Act
{
    /** Its name in written form. */
    public static function kind(): string;

    /** In a picker: "Give a tag". */
    public static function label(): string;

    /**
     * What it needs beside its kind: the name in written form, and what is to be chosen or typed.
     *
     * @return array<string, 'tag'|'sequence'|'email'|'field'|'value'|'words'|'address'|'product'|'deadline'>
     */
    public static function fields(): array;

    /** @throws Invalid when what it needs is missing */
    public static function fromShape(Shape $shape): self;

    /**
     * In a sentence, after what sets it off: "they get the tag “Cellist”".
     *
     * @param  callable(string $id): string  $name  what a part of a funnel, or a field, is called
     */
    public function words(callable $name): string;

    /** @return string the id of the part of a funnel it speaks of; '' for none */
    public function part(): string;

    /**
     * The same, speaking of another part.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self;

    /** @return array<string, string> */
    public function toArray(): array;
}
