<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** The places of a webinar's sessions. */
final readonly class PlacesFacts
{
    /**
     * @param  array<string, int>  $taken  by key of the session; without the visitor's own
     * @param  list<string>  $calledOff  keys of sessions that are not held
     */
    public function __construct(public array $taken, public array $calledOff)
    {
    }
}
