<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * One rule about a person. A kind of rule is one class with its meaning for one person and a description of what it asks
 * for, from which its words, its pickers and its written form follow. {@see Rules} lists the kinds; the same rule as a
 * database query is a class of the same name in the application.
 */
abstract readonly class Rule implements Condition
{
    /** Its name in written form. */
    abstract public static function kind(): string;

    /** What it is about, in a picker. */
    abstract public static function label(): string;

    /** @return list<RuleField> what it asks for, in the order of a sentence */
    abstract public static function fields(): array;

    /** @return array<string, string|int|bool> a new one before anything is chosen, as it is written */
    abstract public static function fresh(): array;

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema, by its description */
    public static function schema(): array
    {
        $properties = ['kind' => ['const' => static::kind()]];
        $required = ['kind'];
        foreach (static::fields() as $field) {
            $properties += $field->schemas();
            array_push($required, ...$field->required());
        }

        return Written::group($properties, array_values(array_unique($required)));
    }

    /** @throws Invalid with one sentence that says what the rule still needs */
    abstract public static function fromShape(Shape $shape): self;

    /** @return array<string, string|int|bool> what it asks for, by name of the field; nothing for what is not said */
    abstract protected function values(): array;

    /** @return list<string> ids of pages, funnels, emails and broadcasts it speaks of */
    public function references(): array
    {
        return [];
    }

    /**
     * The same, speaking of other things.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): static
    {
        return $this;
    }

    /** @param  callable(string): string  $name  what a thing is called, by its id or by the name of a field */
    public function words(callable $name): string
    {
        $values = $this->values();

        return implode(' ', array_filter(array_map(fn (RuleField $f): string => $f->appliesTo($values) ? $f->words($values, $name) : '',
            static::fields()),
            fn (string $w): bool => $w !== ''));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => static::kind()] + $this->values();
    }
}
