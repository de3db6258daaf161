<?php

declare(strict_types=1);

namespace App\Models;

/** How something stands that a rule does for somebody. */
enum RuleRunState: string
{
    case Waiting = 'waiting';
    /** It has acted. */
    case Done = 'done';
    /** Its rules about the person did not hold when its moment came. */
    case Passed = 'passed';
    /** It could not be carried out, however often it was tried. */
    case Failed = 'failed';
    /** It was kept from going round for ever. */
    case Stopped = 'stopped';
    /** The rule was gone, or its funnel, before its moment came. */
    case Gone = 'gone';
}
