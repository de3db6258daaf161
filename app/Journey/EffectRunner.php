<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Funnel;
use DateTimeImmutable;
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
            $this->of($effect)->carryOut($effect, $context);
        }
    }

    /**
     * Those that can happen to a browser alone; the others wait until somebody is known.
     *
     * @param  list<Effect>  $effects  in order
     */
    public function runForStranger(array $effects, Stranger $stranger, Funnel $funnel, DateTimeImmutable $at): void
    {
        foreach ($effects as $effect) {
            $carrier = $this->of($effect);
            if ($carrier instanceof CarriesOutForStrangers) {
                $carrier->carryOutForStranger($effect, $stranger, $funnel, $at);
            }
        }
    }

    private function of(Effect $effect): CarriesOut
    {
        return $this->container->make($this->classes[$effect::class]
            ?? throw new LogicException('Nobody carries out '.$effect::class.'.'));
    }
}
