<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

use Lantern\Core\Webinars\RegisteredSession;

/** Somebody has a place in a session from now on, or waits for one; another session of that webinar they had is theirs no more. */
final readonly class RegisterForSession implements Effect
{
    public function __construct(public RegisteredSession $registered)
    {
    }
}
