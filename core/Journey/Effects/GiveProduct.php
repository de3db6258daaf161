<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** Give the person access to a product they have bought. */
final readonly class GiveProduct implements EffectOfOrder
{
    public function __construct(public string $product)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->withProduct($this->product);
    }
}
