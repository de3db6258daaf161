<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Webinars\RegisteredSession;

/** Somebody has a place in a session from now on, or waits for one; another session of that webinar they had is theirs no more. */
final readonly class RegisterForSession implements Effect
{
    public function __construct(public RegisteredSession $registered)
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        $webinar = $this->registered->webinar;

        return $person->withRegistration($this->registered)->withoutWaiting(fn (PlannedEmail $e): bool => $e->webinar === $webinar);
    }
}
