<?php

declare(strict_types=1);

namespace App\Front;

use Exception;

/** What a page needs for this visitor is more than can be answered here: the framework answers. */
final class GoOn extends Exception
{
}
