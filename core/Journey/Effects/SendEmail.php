<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;

/** Send an email of the funnel at a moment (UTC); the present moment means at once. */
final readonly class SendEmail implements Effect
{
    /**
     * @param  string  $sequence  the id of the sequence it belongs to
     * @param  string  $webinar  the id of the webinar of which it tells a session; '' where it tells none
     */
    public function __construct(
        public string $email,
        public DateTimeImmutable $at,
        public string $sequence = '',
        public string $webinar = '',
    ) {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->withEmail(new PlannedEmail($this->email, $this->sequence, $this->at, webinar: $this->webinar));
    }
}
