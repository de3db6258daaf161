<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use Lantern\Core\Forms\OwnerNotice;

/** Tell the owner that somebody has begun a guide, or finished it: at once, or in the email of the day. */
final readonly class TellOwnerOfReader implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $guide, public bool $finished, public OwnerNotice $notice)
    {
    }
}
