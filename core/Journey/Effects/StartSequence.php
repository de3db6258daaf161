<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;

/** The person enters a sequence; the emails it sends them follow as {@see SendEmail}. */
final readonly class StartSequence implements Effect
{
    /** @param  string  $variant  the letter that they get, where its timing is in a split test */
    public function __construct(public string $sequence, public DateTimeImmutable $at, public string $variant = '')
    {
    }

    public function appliedTo(PersonState $person, DateTimeImmutable $at): PersonState
    {
        return $person->inSequence($this->sequence, $this->at, $this->variant);
    }
}
