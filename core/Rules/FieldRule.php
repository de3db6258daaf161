<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\Number;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A field of the person, held against a value. Words are compared without regard to capitals; what is not known is neither more nor less,
 * and neither is a name, an address or a phone number.
 */
final readonly class FieldRule extends Rule
{
    public function __construct(public string $field, public Comparison $compare, public string $value = '')
    {
    }

    public static function kind(): string
    {
        return 'field';
    }

    public static function label(): string
    {
        return 'A field';
    }

    public static function fields(): array
    {
        return [
            RuleField::of('field', 'field', 'Field'),
            RuleField::choice('How it is compared',
                array_map(fn (Comparison $c): array => [$c->label(), ['compare' => $c->value], $c->label(), $c->isOfNumbers()],
                    Comparison::cases())),
            RuleField::of('value', 'value', 'With what')
                ->when('compare', array_values(array_map(fn (Comparison $c): string => $c->value,
                    array_filter(Comparison::cases(), fn (Comparison $c): bool => $c->needsValue())))),
        ];
    }

    public static function fresh(): array
    {
        return ['field' => 'first_name', 'compare' => Comparison::Equal->value, 'value' => ''];
    }

    public static function fromShape(Shape $shape): self
    {
        $field = $shape->text('field', 60, '');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $field) !== 1) {
            throw Invalid::at($shape->path('field'), 'Choose a field.');
        }
        $compare = Comparison::tryFrom($shape->text('compare', 20, ''))
            ?? throw Invalid::at($shape->path('compare'), 'Choose how the field is compared.');
        $value = trim($shape->text('value', 300, ''));
        if ($compare->isOfNumbers()) {
            $value = Number::read($value) ?? (is_numeric($value) ? $value
                : throw Invalid::at($shape->path('value'), 'More and less need a number, such as 1234.5.'));
        }
        if ($compare->needsValue() && $value === '') {
            throw Invalid::at($shape->path('value'), 'Say what the field is compared with.');
        }

        return new self($field, $compare, $compare->needsValue() ? $value : '');
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        if ($this->compare->isOfNumbers() && in_array($this->field, PersonState::OF_PERSON, true)) {
            return false;
        }

        return $this->compare
            ->holds(array_values(array_filter($person->values($this->field), fn (string $v): bool => $v !== '')), $this->value);
    }

    protected function values(): array
    {
        return ['field' => $this->field, 'compare' => $this->compare->value] + ($this->value === '' ? [] : ['value' => $this->value]);
    }
}
