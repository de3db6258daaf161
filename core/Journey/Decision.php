<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\EffectOfOrder;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Way;

/** What follows from an event: where the visitor goes, and what else happens, in order. */
final readonly class Decision
{
    /** @param  list<Effect>  $effects */
    public function __construct(public ?Way $way = null, public array $effects = [])
    {
    }

    /** What of it belongs to an order itself, while it is not known for sure whose it is. */
    public function ofOrder(): self
    {
        return new self($this->way, array_values(array_filter($this->effects, fn (Effect $e): bool => $e instanceof EffectOfOrder)));
    }

    /** The rest of it, which happens to the person. */
    public function ofPerson(): self
    {
        return new self($this->way, array_values(array_filter($this->effects, fn (Effect $e): bool => ! $e instanceof EffectOfOrder)));
    }

    /**
     * @template T of Effect
     *
     * @param  class-string<T>  $kind
     * @return list<T>
     */
    public function effectsOf(string $kind): array
    {
        return array_values(array_filter($this->effects, fn (Effect $e): bool => $e instanceof $kind));
    }

    /** What is known of somebody once all of it has happened to them, in order. */
    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        foreach ($this->effects as $effect) {
            $person = $effect->appliedTo($person, $at);
        }

        return $person;
    }
}
