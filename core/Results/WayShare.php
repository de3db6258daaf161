<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

use Lantern\Core\Events\Outcome;

/** How many of those who could went the way of an outcome. */
final readonly class WayShare
{
    private function __construct(public int $taken, public int $of)
    {
    }

    /**
     * @param  bool  $fromRoom  does it lead on from the room of a webinar?
     * @param  int  $seen  browsers that were on the page
     * @param  int  $went  of them, those to whom the outcome happened
     * @param  int  $over  registrations whose session is over; of them `came` to it, and `stayed` as long as it takes
     */
    public static function of(Outcome $outcome, bool $fromRoom, int $seen, int $went, int $over, int $came, int $stayed): self
    {
        return match ($outcome) {
            // From the room on: those who stayed. To the room: those who came.
            Outcome::Attended => $fromRoom ? new self($stayed, $came) : new self($came, $over),
            Outcome::Missed => new self($over - $came, $over),
            default => new self($went, $seen),
        };
    }

    /** @return array{taken: int, of: int} */
    public function toArray(): array
    {
        return ['taken' => $this->taken, 'of' => $this->of];
    }
}
