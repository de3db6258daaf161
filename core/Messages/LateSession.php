<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** That emails about a session came too late to be sent: something kept them from going out, and the owner is to hear of it. */
final readonly class LateSession
{
    /** @param  string  $webinar  its id; `session` is the key of the session */
    public function __construct(public string $webinar, public string $session)
    {
    }
}
