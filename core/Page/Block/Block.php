<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;

/** One thing in a section: a heading, a text, a form … What its fields hold is said by their types; see {@see Blocks}. */
final readonly class Block
{
    use Rebuilt;

    /**
     * @param  array<string, string>  $fields  by name
     * @param  list<array<string, string>>  $items  the entries of a list: questions, testimonials …
     */
    public function __construct(
        public string $id,
        public BlockKind $kind,
        public array $fields,
        public array $items = [],
        public string $style = '',
        public Hidden $hidden = Hidden::Nowhere,
        public Entrance $entrance = Entrance::None,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', BlockKind::class);
        $definition = Blocks::of($kind);
        $items = [];
        if ($definition->items !== null) {
            foreach ($shape->groups('items', Blocks::MOST_ITEMS) as $item) {
                $items[] = self::read($item, $definition->items);
            }
        }
        $style = $shape->text('style', 20, '');
        if ($style !== '' && ! in_array($style, $definition->styles, true)) {
            throw Invalid::at($shape->path('style'), 'This is none of: '.implode(', ', $definition->styles).'.');
        }

        return new self(self::id($shape), $kind, self::read($shape, $definition->fields), $items, $style, Hidden::fromShape($shape),
            Entrance::fromShape($shape));
    }

    /** @throws Invalid unless the id is short and plain, since it is used in markup */
    public static function id(Shape $shape): string
    {
        $id = $shape->text('id', 40);
        if (preg_match('/^[A-Za-z0-9_-]+$/D', $id) !== 1) {
            throw Invalid::at($shape->path('id'), 'An id holds letters, digits and dashes only.');
        }

        return $id;
    }

    public function field(string $name): string
    {
        return $this->fields[$name] ?? '';
    }

    /** The style it is drawn in. */
    public function style(): string
    {
        return $this->style !== '' ? $this->style : Blocks::of($this->kind)->styles[0] ?? '';
    }

    public function withId(string $id): self
    {
        return $this->changed(id: $id);
    }

    /**
     * @param  array<string, string>  $fields
     * @param  list<array<string, string>>|null  $items
     */
    public function with(array $fields, ?array $items = null, ?string $style = null): self
    {
        return $this->changed(fields: [...$this->fields, ...$fields], items: $items ?? $this->items, style: $style ?? $this->style);
    }

    /**
     * The same with every value looked at, its own and those of its entries.
     *
     * @param  callable(Field $field, string $value): string  $change
     */
    public function map(callable $change): self
    {
        $definition = Blocks::of($this->kind);

        return $this->changed(fields: self::mapped($this->fields, $definition->fields, $change),
            items: array_map(fn (array $item): array => self::mapped($item, $definition->items ?? [], $change), $this->items));
    }

    /**
     * @param  array<string, string>  $values
     * @param  array<string, Field>  $fields
     * @param  callable(Field, string): string  $change
     * @return array<string, string>
     */
    private static function mapped(array $values, array $fields, callable $change): array
    {
        foreach ($values as $name => $value) {
            $values[$name] = isset($fields[$name]) ? $change($fields[$name], $value) : $value;
        }

        return $values;
    }

    /**
     * The same, speaking of other parts, pages and pictures.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        return $this->map(fn (Field $field, string $value): string => $field->withIds($value, $ids));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $definition = Blocks::of($this->kind);
        // Always in the same order, so that the same page has the same written form.
        $array = ['id' => $this->id, 'kind' => $this->kind->value];
        if ($this->style !== '') {
            $array['style'] = $this->style;
        }
        $array += Hidden::written($this->hidden) + Entrance::written($this->entrance) + self::written($definition->fields, $this->fields);
        if ($definition->items !== null) {
            $array['items'] = array_map(fn (array $item): array => self::written($definition->items, $item), $this->items);
        }

        return $array;
    }

    /** The words a visitor reads in this block, without marks. */
    public function words(): string
    {
        return trim(implode(' ', $this->passages()));
    }

    /** @return list<string> the words field by field, without marks; empty ones are left out */
    public function passages(): array
    {
        return $this->each(fn (Field $field, string $value): array => [$field->passage($value)]);
    }

    /** @return list<string> the ids of the pictures in it */
    public function pictures(): array
    {
        return $this->each(fn (Field $field, string $value): array => $field->type === FieldType::Picture ? [$value] : []);
    }

    /** @return list<string> the ids of the videos in it */
    public function videos(): array
    {
        return $this->each(fn (Field $field, string $value): array => $field->type === FieldType::Video ? [$value] : []);
    }

    /** @return list<string> the ids of other parts of the funnel it shows: forms, lead magnets … */
    public function references(): array
    {
        return $this->each(fn (Field $field, string $value): array => $field->type === FieldType::Reference ? [$value] : []);
    }

    /** @return list<string> where it leads: addresses as {@see Link} reads them, in its fields and in its words */
    public function links(): array
    {
        return $this->each(fn (Field $field, string $value): array => $field->links($value));
    }

    /**
     * @param  callable(Field, string): list<string>  $what
     * @return list<string> without empty ones
     */
    private function each(callable $what): array
    {
        $definition = Blocks::of($this->kind);
        $found = [];
        foreach ([[$this->fields, $definition->fields],
            ...array_map(fn (array $item): array => [$item, $definition->items ?? []], $this->items)] as [$values, $fields]) {
            foreach ($values as $name => $value) {
                array_push($found, ...isset($fields[$name]) ? $what($fields[$name], $value) : []);
            }
        }

        return array_values(array_filter($found, fn (string $f): bool => $f !== ''));
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, string>
     */
    private static function read(Shape $shape, array $fields): array
    {
        $values = [];
        foreach ($fields as $name => $field) {
            if (! $field->optional || $shape->has($name)) {
                $values[$name] = $field->read($shape, $name);
            }
        }

        return $values;
    }

    /**
     * @param  array<string, Field>  $fields
     * @param  array<string, string>  $values
     * @return array<string, string>
     */
    private static function written(array $fields, array $values): array
    {
        $written = [];
        foreach ($fields as $name => $field) {
            if (! $field->optional || isset($values[$name])) {
                $written[$name] = $values[$name] ?? '';
            }
        }

        return $written;
    }
}
