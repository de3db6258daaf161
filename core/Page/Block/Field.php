<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;

/** One field of a block or of an entry in its list. Its value is a text, whatever its type. */
final readonly class Field
{
    use Rebuilt;

    /**
     * @param  int  $max  the longest value, in characters
     * @param  bool  $optional  may it be missing from the written form? What is missing reads as ''.
     * @param  string  $to  of a reference, the kind of part it names
     * @param  list<string>  $options  of a choice
     */
    private function __construct(
        public FieldType $type,
        public int $max,
        public bool $optional = false,
        public string $to = '',
        public array $options = [],
    ) {
    }

    public static function words(int $max): self
    {
        return new self(FieldType::Words, $max);
    }

    public static function richText(int $max): self
    {
        return new self(FieldType::RichText, $max);
    }

    public static function description(int $max = 300): self
    {
        return new self(FieldType::Description, $max);
    }

    public static function link(): self
    {
        return new self(FieldType::Link, 2000);
    }

    public static function picture(): self
    {
        return new self(FieldType::Picture, 40, true);
    }

    public static function video(): self
    {
        return new self(FieldType::Video, 40, true);
    }

    public static function moment(): self
    {
        return new self(FieldType::Moment, 20);
    }

    /** @param  string  $to  the kind of part */
    public static function reference(string $to): self
    {
        return new self(FieldType::Reference, 40, to: $to);
    }

    public static function colour(): self
    {
        return new self(FieldType::Colour, 7, true);
    }

    /** @param  list<string>  $options */
    public static function choice(array $options): self
    {
        return new self(FieldType::Choice, 20, options: $options);
    }

    public function optional(): self
    {
        return $this->changed(optional: true);
    }

    /** @throws Invalid when it is not what a field of its type holds */
    public function read(Shape $shape, string $name): string
    {
        $value = $shape->text($name, $this->max, '');
        if ($value === '') {
            return '';
        }
        $wrong = match ($this->type) {
            FieldType::Moment => WallClock::isMoment($value) ? '' : 'A moment is written like 2027-03-12T18:00.',
            FieldType::Colour => preg_match('/^#[0-9a-f]{6}$/D', $value) === 1 ? '' : 'A colour is written like #1e6b5e.',
            FieldType::Choice => in_array($value, $this->options, true) ? '' : 'There is no such choice.',
            default => '',
        };
        if ($this->type === FieldType::Link) {
            Link::check($value, $shape->path($name));
        }

        return $wrong === '' ? $value : throw Invalid::at($shape->path($name), $wrong);
    }

    /** The words a visitor reads in it, without marks. */
    public function passage(string $value): string
    {
        return $this->type->isRead()
            ? trim(html_entity_decode(strip_tags(str_replace(['</li>', '<br>', '</p>'], ' ', $value)), ENT_QUOTES | ENT_HTML5)) : '';
    }

    /** @return list<string> where it leads, as {@see Link} reads it */
    public function links(string $value): array
    {
        if ($this->type === FieldType::Link) {
            return $value === '' ? [] : [$value];
        }
        if ($this->type !== FieldType::RichText) {
            return [];
        }
        preg_match_all('/\bhref="([^"]*)"/', $value, $m);

        return array_map(fn (string $l): string => html_entity_decode($l, ENT_QUOTES | ENT_HTML5), $m[1]);
    }

    /**
     * The value with other ids where ids stand: alone, in links to pages, and in merge fields that name a page.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(string $value, array $ids): string
    {
        return match (true) {
            $this->type->isId() => $ids[$value] ?? $value,
            $this->type === FieldType::Link, $this->type === FieldType::RichText,
            $this->type === FieldType::Words => Link::withIds($value, $ids),
            default => $value,
        };
    }

    /** @return array{type: string, optional: bool, to: string, options: list<string>} as the desk reads it */
    public function toArray(): array
    {
        return ['type' => $this->type->value, 'optional' => $this->optional, 'to' => $this->to, 'options' => $this->options];
    }
}
