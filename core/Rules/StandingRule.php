<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use Lantern\Core\People\Standing;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** How somebody stands to the list, or does not. */
final readonly class StandingRule extends Rule
{
    public function __construct(public Standing $standing, public bool $so = true)
    {
    }

    public static function kind(): string
    {
        return 'standing';
    }

    public static function label(): string
    {
        return 'How they stand to you';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('Is or is not', [['is', ['so' => true], ''], ['is not', ['so' => false], 'not:']]),
            RuleField::choice('How they stand to you',
                array_map(fn (Standing $s): array => [$s->label(), ['standing' => $s->value]], Standing::cases())),
        ];
    }

    public static function fresh(): array
    {
        return ['so' => true, 'standing' => Standing::Subscribed->value];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Standing::tryFrom($shape->text('standing', 20, ''))
            ?? throw Invalid::at($shape->path('standing'), 'Choose how they stand to your list.'), $shape->flag('so', true));
    }

    public function holds(PersonFacts $facts): bool
    {
        return $this->so === ($facts->standing === $this->standing);
    }

    protected function values(): array
    {
        return ['so' => $this->so, 'standing' => $this->standing->value];
    }
}
