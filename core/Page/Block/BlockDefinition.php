<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/** What a kind of block is: its name, what it holds, and how it can be drawn. */
final readonly class BlockDefinition
{
    /**
     * @param  array<string, Field>  $fields
     * @param  array<string, Field>|null  $items  fields of the entries of a list; null where the block is no list
     * @param  list<string>  $styles  the first is what it is drawn in unless it says otherwise
     * @param  string  $css  the part of the public styles it needs beside the base
     * @param  bool  $visual  does it stand beside the words where a section is split?
     */
    public function __construct(
        public string $label,
        public array $fields = [],
        public ?array $items = null,
        public array $styles = [],
        public string $css = '',
        public bool $visual = false,
    ) {
    }

    /** The first field of a type, by name; '' where there is none. */
    public function fieldOf(FieldType $type): string
    {
        foreach ($this->fields as $name => $field) {
            if ($field->type === $type) {
                return $name;
            }
        }

        return '';
    }

    public function has(FieldType $type): bool
    {
        return array_filter([...array_values($this->fields), ...array_values($this->items ?? [])],
            fn (Field $f): bool => $f->type === $type) !== [];
    }
}
