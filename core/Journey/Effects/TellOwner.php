<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use Lantern\Core\Forms\OwnerNotice;

/** Tell the owner that a form was filled in: at once, or in the email of the day. */
final readonly class TellOwner implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $form, public OwnerNotice $notice)
    {
    }
}
