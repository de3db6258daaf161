<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use DateTimeZone;

/** What a page may have to know of the business whose it is. */
final readonly class BusinessFacts
{
    /**
     * @param  int  $taxRate  in hundredths of a percent
     * @param  list<string>  $embedHosts  from which videos and streams may come
     */
    public function __construct(public DateTimeZone $zone, public int $taxRate, public array $embedHosts)
    {
    }
}
