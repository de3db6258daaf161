<?php

declare(strict_types=1);

namespace App\Journey;

use Illuminate\Contracts\Container\Container;
use Lantern\Core\Journey\Effects\Effect;
use LogicException;

/** Hands each effect to the class that carries it out. */
final readonly class EffectRunner
{
    /** @param  array<class-string<Effect>, class-string<CarriesOut>>  $classes */
    public function __construct(private Container $container, private array $classes)
    {
    }

    /** @param  list<Effect>  $effects in order */
    public function run(array $effects, EffectContext $context): void
    {
        foreach ($effects as $effect) {
            $class = $this->classes[$effect::class] ?? throw new LogicException('Nobody carries out '.$effect::class.'.');
            $this->container->make($class)->carryOut($effect, $context);
        }
    }
}
