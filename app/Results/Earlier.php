<?php

declare(strict_types=1);

namespace App\Results;

use stdClass;

/** What was written before an event, as far as it decides whether that event counts. */
interface Earlier
{
    /** @return iterable<stdClass> views of the same browser in the funnel: of one page, or of any */
    public function views(stdClass $event, ?string $page): iterable;

    /** @return iterable<stdClass> what counted as going on from a page, by the same browser, with its `way`: an outcome, or a page */
    public function wentOn(stdClass $event, string $from): iterable;

    /** @return iterable<stdClass> what the same browser pressed in the funnel, with its `part` */
    public function presses(stdClass $event): iterable;

    public function isFirstJoin(stdClass $event): bool;
}
