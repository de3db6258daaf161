<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Tell the owner that something was bought, if they wish to be told. */
final readonly class TellOwnerOfSale implements EffectOfOrder
{
    use ChangesNothingKnown;
}
