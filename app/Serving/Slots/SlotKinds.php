<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use Illuminate\Contracts\Container\Container;
use LogicException;

/** Who fills which slot. */
final class SlotKinds
{
    /** @var array<string, Slot> */
    private array $made = [];

    /** @param  array<string, class-string<Slot>>  $classes  by kind */
    public function __construct(private readonly Container $container, private readonly array $classes)
    {
    }

    public function slot(string $kind): Slot
    {
        $class = $this->classes[$kind] ?? throw new LogicException("Nothing fills the slot {$kind}.");

        return $this->made[$kind] ??= $this->container->make($class);
    }
}
