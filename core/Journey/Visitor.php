<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeZone;

/** What is known of the visitor when something happens. */
final readonly class Visitor
{
    /**
     * @param  DateTimeZone  $zone  the visitor's own, or the owner's where it is not known
     * @param  list<string>  $emails  ids of this funnel's emails already sent to this person, or waiting to be
     * @param  list<string>  $tags  the person's tags, as written
     */
    public function __construct(
        public DateTimeZone $zone,
        public array $emails = [],
        public array $tags = [],
    ) {
    }
}
