<?php

declare(strict_types=1);

namespace Lantern\Core\Sending;

use Lantern\Core\People\State\PersonState;

/** What is known of whoever an email is for, when it is decided whether it goes to them, and which parts of it they get. */
final class EmailReader
{
    /**
     * Whoever comes to a second session is written to about that one: for an email that is told from a session it counts what became of
     * them there, and not that they missed an earlier one.
     *
     * @param  string|null  $webinar  the id of the one it is told from; null where it is told from none
     * @param  list<string>|null  $became  what became of them in the session that they have, see
     *     {@see \Lantern\Core\Rules\WebinarRule::STATES}; null where they have none
     */
    public static function of(PersonState $person, ?string $webinar, ?array $became): PersonState
    {
        return $webinar === null || $became === null ? $person : $person->withWebinar($webinar, $became);
    }
}
