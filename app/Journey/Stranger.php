<?php

declare(strict_types=1);

namespace App\Journey;

use DateTimeZone;

/** Somebody who is known by their browser alone, and as a last resort by where they come from. */
final readonly class Stranger
{
    /**
     * @param  string  $visitor  the browser's own id
     * @param  DateTimeZone  $zone  theirs as far as it is known, else the owner's
     */
    public function __construct(public string $visitor, public string $ip, public DateTimeZone $zone)
    {
    }
}
