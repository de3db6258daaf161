<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A field of theirs gets another value, or is emptied. */
final readonly class ChangesField implements Act
{
    use OfNoPart;

    /** The day on which the rule acts, in the owner's zone. */
    public const TODAY = '{{today}}';

    private const KIND = 'field';

    /** @param  string  $field  the name of an own field of people */
    public function __construct(public string $field, public string $value)
    {
    }

    public static function label(): string
    {
        return 'Change a field';
    }

    public static function fields(): array
    {
        return ['field' => 'field', 'value' => 'value'];
    }

    public static function fromShape(Shape $shape): self
    {
        $field = $shape->text('field', 60, '');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $field) !== 1) {
            throw Invalid::at($shape->path('field'), 'Please choose a field.');
        }

        return new self($field, trim($shape->text('value', 1000, '')));
    }

    /** What the field holds from then on. */
    public function valueAt(DateTimeImmutable $at, DateTimeZone $ownerZone): string
    {
        return $this->value === self::TODAY ? $at->setTimezone($ownerZone)->format('Y-m-d') : $this->value;
    }

    public function words(callable $name): string
    {
        $called = $name($this->field);
        $field = '“'.($called === '' ? $this->field : $called).'”';

        return match ($this->value) {
            '' => "{$field} is emptied",
            self::TODAY => "{$field} becomes the day on which it happens",
            default => "{$field} becomes “{$this->value}”",
        };
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'field' => $this->field, 'value' => $this->value];
    }
}
