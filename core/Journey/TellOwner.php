<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Funnel\Notice;

/** Tell the owner that a form was filled in: at once, or in the letter of the day. */
final readonly class TellOwner implements Effect
{
    public function __construct(public string $form, public Notice $notice)
    {
    }
}
