<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

use DateTimeImmutable;
use Lantern\Core\Messages\MessageState;

/** An email of a sequence that somebody was sent, or that waits for them. */
final readonly class PlannedEmail
{
    /**
     * @param  string  $sequence  the id of the sequence it belongs to; '' for none
     * @param  string  $webinar  the id of the webinar of which it tells a session; '' for none
     */
    public function __construct(
        public string $email,
        public string $sequence,
        public DateTimeImmutable $due,
        public MessageState $state = MessageState::Waiting,
        public string $webinar = '',
    ) {
    }

    /** Does it wait, or is it just going out? */
    public function isOnTheWay(): bool
    {
        return $this->state === MessageState::Waiting || $this->state === MessageState::Sending;
    }

    public function at(DateTimeImmutable $due): self
    {
        return new self($this->email, $this->sequence, $due, $this->state, $this->webinar);
    }

    public function in(MessageState $state): self
    {
        return new self($this->email, $this->sequence, $this->due, $state, $this->webinar);
    }
}
