<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** What belongs to an order itself, whoever placed it: it follows also while it is not proven whose order it is. */
interface EffectOfOrder extends Effect
{
}
