<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** What is counted by page and day. A measure is a row of its own, so that a new one needs no new column. */
enum Measure: string
{
    case Views = 'views';
    /** Browsers that came on that day, each once. */
    case Visitors = 'visitors';
    /** Browsers that came for the first time ever. */
    case FirstVisitors = 'first-visitors';
    /** People who joined the funnel, each once. */
    case Signups = 'signups';
    case Downloads = 'downloads';
    /** Purchases on a page, each once whatever is in it. */
    case Sales = 'sales';
}
