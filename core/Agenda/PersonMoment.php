<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;

/** Something that is due for one person at a moment. */
final readonly class PersonMoment
{
    /** @param  string  $of  the id of the email, the deadline or the webinar */
    public function __construct(public PersonMomentKind $kind, public string $of, public DateTimeImmutable $at)
    {
    }
}
