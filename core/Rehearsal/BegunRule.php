<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Journey\Effects\BeginRule;

/** A rule that was set off, and acts when its moment has come. */
final readonly class BegunRule
{
    /** @param  int  $depth  how many rules led to it, one by the other, with itself */
    public function __construct(public BeginRule $begun, public DateTimeImmutable $happened, public int $depth)
    {
    }
}
