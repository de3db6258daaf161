<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

/** Whether the owner hears of a filled-in form. */
enum Notice: string
{
    case Never = 'never';
    case AtOnce = 'at-once';
    case Daily = 'daily';
}
