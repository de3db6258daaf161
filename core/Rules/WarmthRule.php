<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Warmth\Band;

/** How warm somebody is: at least so, or less. */
final readonly class WarmthRule extends Rule
{
    public function __construct(public Band $band, public bool $not = false)
    {
    }

    public static function kind(): string
    {
        return 'warmth';
    }

    public static function label(): string
    {
        return 'Warmth';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('At least or less', [['is at least', ['not' => false]], ['is less than', ['not' => true]]]),
            // Nobody is less than cold.
            RuleField::choice('Warmth', array_map(fn (Band $b): array => [strtolower($b->label()), ['band' => $b->value]],
                array_slice(Band::cases(), 1))),
        ];
    }

    public static function fresh(): array
    {
        return ['not' => false, 'band' => Band::Warm->value];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Band::tryFrom($shape->text('band', 20, ''))
            ?? throw Invalid::at($shape->path('band'), 'Choose how warm.'), $shape->flag('not'));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return ($person->warmth() >= $this->band->least()) !== $this->not;
    }

    protected function values(): array
    {
        return ['not' => $this->not, 'band' => $this->band->value];
    }
}
