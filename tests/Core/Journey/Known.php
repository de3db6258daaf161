<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\Enrolment;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Webinars\RegisteredSession;

/** People as tests of the core need them. */
final class Known
{
    /**
     * @param  list<string>  $emails  ids of those that were sent to them
     * @param  list<string>  $tags
     * @param  array<string, bool>  $sequences  by id of those they entered: are they still in it?
     * @param  list<string>  $through  ids of the sequences they are in of which nothing waits any more
     * @param  array<string, Run>  $deadlines
     * @param  array<string, RegisteredSession>  $registrations
     */
    public static function person(string $zone = 'UTC', array $emails = [], array $tags = [], array $sequences = [], array $through = [],
        array $deadlines = [], array $registrations = [], ?string $ownerZone = null): PersonState
    {
        $at = new DateTimeImmutable('2026-01-01 09:00', new DateTimeZone('UTC'));
        $planned = array_map(fn (string $id): PlannedEmail => new PlannedEmail($id, '', $at, MessageState::Sent), $emails);
        $enrolments = [];
        foreach ($sequences as $id => $in) {
            $enrolments[$id] = new Enrolment($at, ended: ! $in);
            if ($in && ! in_array($id, $through, true)) {
                $planned[] = new PlannedEmail("waits-{$id}", $id, $at);
            }
        }

        return new PersonState(new DateTimeZone($zone), new DateTimeZone($ownerZone ?? $zone), tags: $tags, deadlines: $deadlines,
            registrations: $registrations, enrolments: $enrolments, emails: $planned, products: []);
    }
}
