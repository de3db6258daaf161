<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

use DateTimeImmutable;

/** Something that somebody did, and with what. */
final readonly class DoneDeed
{
    /** @param  string  $with  the id of the page, funnel, email or broadcast; one deed stands once for each; '' where it is none */
    public function __construct(public Deed $deed, public string $with, public DateTimeImmutable $at)
    {
    }
}
