<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

/** A session as it is offered to whoever registers. */
final readonly class SessionChoice
{
    /** @param  int|null  $left  places that are left; null where there are any number */
    public function __construct(public Session $session, public SessionState $state, public ?int $left)
    {
    }
}
