<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;

/** Send an email of a funnel because a rule says so, also to somebody who has had it before. */
final readonly class SendOneEmail implements Effect
{
    /**
     * @param  DateTimeImmutable  $at  in UTC
     * @param  string  $sequence  the id of the sequence it belongs to
     */
    public function __construct(public string $email, public DateTimeImmutable $at, public string $sequence)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->withEmail(new PlannedEmail($this->email, $this->sequence, $this->at));
    }
}
