<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Plan\Way;

/** What follows from an event: where the visitor goes, and what else happens, in order. */
final readonly class Decision
{
    /** @param  list<Effect>  $effects */
    public function __construct(public ?Way $way = null, public array $effects = [])
    {
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
}
