<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\PersonState;

/** What is due next for one person, by all that is known of them: what a rehearsal goes from moment to moment by. */
final class PersonAgenda
{
    /**
     * @param  DateTimeImmutable  $after  what was due before is left out, but for emails that wait
     * @return list<PersonMoment> in order
     */
    public static function of(PersonState $person, DateTimeImmutable $after): array
    {
        $moments = [];
        foreach ($person->deadlines() as $id => $run) {
            $moments[] = $run->closed ? null : new PersonMoment(PersonMomentKind::DeadlineEnds, (string) $id, $run->endsAt);
        }
        foreach ($person->registrations() as $webinar => $registered) {
            if (! $registered->waiting && ! $registered->session->isOnDemand()) {
                $moments[] = new PersonMoment(PersonMomentKind::SessionStarts, (string) $webinar, $registered->session->startsAt);
                $moments[] = new PersonMoment(PersonMomentKind::SessionEnds, (string) $webinar, $registered->session->endsAt);
            }
            foreach ([[PersonMomentKind::ReplayOpens, $registered->replay?->opensAt], [PersonMomentKind::ReplayEnds,
                $registered->replay?->endsAt]] as [$kind, $at]) {
                $moments[] = $registered->waiting || $at === null ? null : new PersonMoment($kind, (string) $webinar, $at);
            }
        }
        $moments = array_filter($moments, fn (?PersonMoment $m): bool => $m !== null && $m->at > $after);
        foreach ($person->emails() as $email) {
            if ($email->state === MessageState::Waiting) {
                $moments[] = new PersonMoment(PersonMomentKind::Email, $email->email, max($email->due, $after));
            }
        }
        $order = array_flip(array_map(fn (PersonMomentKind $k): string => $k->name, PersonMomentKind::cases()));
        usort($moments, fn (PersonMoment $a, PersonMoment $b): int => [$a->at, $order[$a->kind->name]] <=> [$b->at,
            $order[$b->kind->name]]);

        return $moments;
    }
}
