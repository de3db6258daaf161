<?php

declare(strict_types=1);

namespace Lantern\Core\Sending;

use Lantern\Core\People\State\PersonState;

/** What is known when an email of a sequence is about to go. The shell loads what the email asks for, and no more. */
final readonly class SequenceFacts
{
    /**
     * @param  bool  $paused  does its sequence stand still?
     * @param  bool  $sameRegistration  is it told from the registration that its reader has now, as that is now?
     * @param  bool  $settled  is it known what became of their session? Also where they have none.
     * @param  bool  $calledOff  did the host cancel that session?
     * @param  list<string>|null  $became  what became of them in the session that the email is told from, see
     *     {@see \Lantern\Core\Rules\WebinarRule::STATES}; null where it is told from none
     */
    public function __construct(
        public PersonState $person,
        public bool $paused = false,
        public bool $sameRegistration = true,
        public bool $settled = true,
        public bool $calledOff = false,
        public ?array $became = null,
    ) {
    }
}
