<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

/** Whether the owner hears of a filled-in form. */
enum OwnerNotice: string
{
    case Never = 'never';
    case AtOnce = 'at-once';
    case Daily = 'daily';
}
