<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\ReplayWindow;
use Lantern\Core\Webinars\Session;

/** The visitor's own session of a webinar. */
final readonly class RegistrationFacts
{
    /**
     * @param  bool  $open  is it the one before them?
     * @param  bool  $calledOff  was the session itself cancelled?
     * @param  array{path: string, room: string, calendar: string, replay: string}  $links  that know whose it is
     */
    public function __construct(
        public string $person,
        public Session $session,
        public RegistrationState $state,
        public bool $open,
        public bool $calledOff,
        public ?ReplayWindow $replay,
        public array $links,
    ) {
    }

    /** Does it begin when its person likes? */
    public function isOnDemand(): bool
    {
        return $this->session->isOnDemand();
    }
}
