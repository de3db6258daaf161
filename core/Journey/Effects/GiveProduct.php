<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Give the person access to a product they have bought. */
final readonly class GiveProduct implements EffectOfOrder
{
    public function __construct(public string $product)
    {
    }
}
