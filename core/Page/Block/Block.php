<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use DateTimeImmutable;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * One thing in a section: a heading, a text, a form … Its fields are plain texts, except `html` and `notHtml`, which
 * hold the few inline marks that a page's words may have and are sanitised before they get here.
 */
final readonly class Block
{
    /**
     * @param  array<string, string>  $fields  as {@see BlockFields} lists them
     * @param  list<array<string, string>>  $items  the entries of a list: questions, testimonials …
     */
    public function __construct(
        public string $id,
        public BlockKind $kind,
        public array $fields,
        public array $items = [],
        public string $style = '',
        public Hidden $hidden = Hidden::Nowhere,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', BlockKind::class);
        $items = [];
        $itemFields = BlockFields::items($kind);
        if ($itemFields !== null) {
            foreach ($shape->groups('items', BlockFields::MOST_ITEMS) as $item) {
                $items[] = self::fields($item, $kind, $itemFields);
            }
        }
        $style = $shape->text('style', 20, '');
        if ($style !== '' && ! in_array($style, BlockFields::styles($kind), true)) {
            throw Invalid::at($shape->path('style'), 'This is none of: '.implode(', ', BlockFields::styles($kind)).'.');
        }

        return new self(self::id($shape), $kind, self::fields($shape, $kind, BlockFields::own($kind)), $items, $style, Hidden::fromShape($shape));
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
        return $this->style !== '' ? $this->style : BlockFields::styles($this->kind)[0] ?? '';
    }

    public function withId(string $id): self
    {
        return new self($id, $this->kind, $this->fields, $this->items, $this->style, $this->hidden);
    }

    /**
     * @param  array<string, string>  $fields
     * @param  list<array<string, string>>|null  $items
     */
    public function with(array $fields, ?array $items = null, ?string $style = null): self
    {
        return new self($this->id, $this->kind, [...$this->fields, ...$fields], $items ?? $this->items, $style ?? $this->style, $this->hidden);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        // Always in the same order, so that the same page has the same written form.
        $array = ['id' => $this->id, 'kind' => $this->kind->value];
        if ($this->style !== '') {
            $array['style'] = $this->style;
        }
        $array += Hidden::written($this->hidden) + self::written($this->kind, BlockFields::own($this->kind), $this->fields);
        $itemFields = BlockFields::items($this->kind);
        if ($itemFields !== null) {
            $array['items'] = array_map(fn (array $item): array => self::written($this->kind, $itemFields, $item), $this->items);
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
        $passages = [];
        foreach ([$this->fields, ...$this->items] as $fields) {
            foreach ($fields as $name => $value) {
                if (! in_array($name, ['picture', 'video', 'url', 'form', 'leadMagnet', 'alt', 'icon', 'until'], true)) {
                    $passages[] = trim(html_entity_decode(strip_tags(str_replace(['</li>', '<br>', '</p>'], ' ', $value)), ENT_QUOTES | ENT_HTML5));
                }
            }
        }

        return array_values(array_filter($passages, fn (string $p): bool => $p !== ''));
    }

    /** @return list<string> the ids of the pictures in it */
    public function pictures(): array
    {
        return self::ids('picture', [$this->fields, ...$this->items]);
    }

    /** @return list<string> where it leads: addresses as {@see Link} reads them, in its fields and in its words */
    public function links(): array
    {
        $links = self::ids('url', [$this->fields, ...$this->items]);
        foreach ([$this->fields, ...$this->items] as $fields) {
            preg_match_all('/\bhref="([^"]*)"/', ($fields['html'] ?? '').($fields['notHtml'] ?? ''), $m);
            array_push($links, ...array_map(fn (string $l): string => html_entity_decode($l, ENT_QUOTES | ENT_HTML5), $m[1]));
        }

        return $links;
    }

    /**
     * @param  list<array<string, string>>  $groups
     * @return list<string>
     */
    private static function ids(string $field, array $groups): array
    {
        return array_values(array_filter(array_map(fn (array $g): string => $g[$field] ?? '', $groups), fn (string $v): bool => $v !== ''));
    }

    /**
     * @param  array<string, int>  $known
     * @return array<string, string>
     */
    private static function fields(Shape $shape, BlockKind $kind, array $known): array
    {
        $fields = [];
        foreach ($known as $name => $max) {
            if (BlockFields::optional($kind, $name) && ! $shape->has($name)) {
                continue;
            }
            $value = $shape->text($name, $max, '');
            if ($name === 'url') {
                Link::check($value, $shape->path($name));
            }
            if ($name === 'icon' && $value !== '' && ! in_array($value, BlockFields::ICONS, true)) {
                throw Invalid::at($shape->path($name), 'There is no such sign.');
            }
            $moment = $name === 'until' ? DateTimeImmutable::createFromFormat('!Y-m-d\TH:i', $value) : false;
            if ($name === 'until' && $value !== '' && ($moment === false || $moment->format('Y-m-d\TH:i') !== $value)) {
                throw Invalid::at($shape->path($name), 'A moment is written like 2027-03-12T18:00.');
            }
            $fields[$name] = $value;
        }

        return $fields;
    }

    /**
     * @param  array<string, int>  $known
     * @param  array<string, string>  $values
     * @return array<string, string>
     */
    private static function written(BlockKind $kind, array $known, array $values): array
    {
        $written = [];
        foreach (array_keys($known) as $name) {
            if (! BlockFields::optional($kind, $name) || isset($values[$name])) {
                $written[$name] = $values[$name] ?? '';
            }
        }

        return $written;
    }
}
