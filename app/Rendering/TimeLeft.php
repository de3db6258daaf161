<?php

declare(strict_types=1);

namespace App\Rendering;

use DateTimeImmutable;
use DateTimeZone;
use IntlDateFormatter;

/** The moment a countdown ends, for those who read it and for the script that counts. */
final readonly class TimeLeft
{
    /**
     * @param  string  $iso  the moment with its offset from UTC
     * @param  string  $words  such as "12 March 2027 at 18:00 (Europe/London)"
     */
    private function __construct(public string $iso, public string $words)
    {
    }

    /** @param  string  $moment  such as `2027-03-12T18:00`, on the clocks of the zone; null for '' */
    public static function until(string $moment, string $zone): ?self
    {
        $at = DateTimeImmutable::createFromFormat('!Y-m-d\TH:i', $moment, new DateTimeZone($zone));
        if ($at === false) {
            return null;
        }
        $words = (string) (new IntlDateFormatter('en_GB', IntlDateFormatter::LONG, IntlDateFormatter::SHORT, $zone))->format($at);

        return new self($at->format(DATE_ATOM), "{$words} ({$zone})");
    }
}
