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
    public function __construct(public Subscription $subscription, public bool $not = false)
    {
    }

    public static function kind(): string
    {
        return 'subscription';
    }

    public static function label(): string
    {
        return 'Subscription';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('Is or is not', [['is', ['not' => false], ''], ['is not', ['not' => true], 'not:']]),
            RuleField::choice('Subscription',
                array_map(fn (Subscription $s): array => [$s->label(), ['subscription' => $s->value]], Subscription::cases())),
        ];
    }

    public static function fresh(): array
    {
        return ['not' => false, 'subscription' => Subscription::Subscribed->value];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Subscription::tryFrom($shape->text('subscription', 20, ''))
            ?? throw Invalid::at($shape->path('subscription'), 'Choose a subscription state.'), $shape->flag('not'));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return ($person->subscription === $this->subscription) !== $this->not;
    }

    protected function values(): array
    {
        return ['not' => $this->not, 'subscription' => $this->subscription->value];
    }
}
