<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\Subscription;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** How somebody stands to the list, or does not. */
final readonly class SubscriptionRule extends Rule
{
    public function __construct(public Subscription $subscription, public bool $so = true)
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
                array_map(fn (Subscription $s): array => [$s->label(), ['standing' => $s->value]], Subscription::cases())),
        ];
    }

    public static function fresh(): array
    {
        return ['so' => true, 'standing' => Subscription::Subscribed->value];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Subscription::tryFrom($shape->text('standing', 20, ''))
            ?? throw Invalid::at($shape->path('standing'), 'Choose how they stand to your list.'), $shape->flag('so', true));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return $this->so === ($person->subscription === $this->subscription);
    }

    protected function values(): array
    {
        return ['so' => $this->so, 'standing' => $this->subscription->value];
    }
}
