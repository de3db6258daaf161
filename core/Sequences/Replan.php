<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Webinars\RegisteredSession;

/**
 * What becomes of the emails of one person who is in a sequence when the sequence changes:
 *
 * - what was sent, is on its way, failed or was left out stays as it is;
 * - an email that waits is moved to the moment it has now. If that has passed, it goes out at the next moment the window allows;
 * - an email that was removed is not sent any more;
 * - an email told from a deadline that does not run for them any more, from a session in which they have no place any more, or
 *   whose moment has passed now, is not sent;
 * - an email that is new is planned, unless its moment has passed for this person: then they have gone by the place where it stands.
 */
final readonly class Replan
{
    /**
     * @param  array<string, DateTimeImmutable>  $plan  new emails by id, when to send them
     * @param  array<string, DateTimeImmutable>  $move  waiting emails by id, their new moment; only those that move
     * @param  list<string>  $cancel  ids of waiting emails that are not sent any more
     * @param  list<string>  $outrun  those of them of which the deadline has come to another end, or is gone
     * @param  list<string>  $missed  ids of new emails whose place this person has passed
     */
    private function __construct(
        public array $plan,
        public array $move,
        public array $cancel,
        public array $outrun,
        public array $missed,
    ) {
    }

    /**
     * @param  list<EmailPlan>  $emails  of the sequence as it is now
     * @param  array<string, array{state: MessageState, due: DateTimeImmutable}>  $messages  by email id, what there is for this person
     * @param  array<string, Run>  $deadlines  by id, those that run for them or ran
     * @param  array<string, RegisteredSession>  $registrations  by the id of the webinar
     */
    public static function of(
        Timing $timing,
        array $emails,
        array $messages,
        DateTimeImmutable $start,
        DateTimeImmutable $now,
        int $paused = 0,
        array $deadlines = [],
        array $registrations = [],
    ): self {
        $plan = $move = $missed = $gone = [];
        foreach ($emails as $email) {
            $message = $messages[$email->id] ?? null;
            if ($message !== null && $message['state'] !== MessageState::Waiting) {
                continue;
            }
            $due = $timing->moment($email, $start, $paused, $deadlines, $registrations);
            if ($email->isTold() && $message !== null && $message['due'] > $now && ($due === null || $due < $now)) {
                $gone[] = $email->id;
            } elseif ($due === null) {
                continue;
            } elseif ($message === null) {
                if ($due >= $now) {
                    $plan[$email->id] = $due;
                } else {
                    $missed[] = $email->id;
                }
            } else {
                $to = $due >= $now ? $due : $timing->notBefore($email, $now);
                // One whose moment has come already is on its way; moving it a little would not change anything.
                if ($message['due'] > $now && $to->format('U.v') !== $message['due']->format('U.v')) {
                    $move[$email->id] = $to;
                }
            }
        }
        $kept = array_map(fn (EmailPlan $e): string => $e->id, $emails);
        $cancel = array_keys(array_filter($messages,
            fn (array $m, string $id): bool => $m['state'] === MessageState::Waiting && ! in_array($id, $kept, true),
            ARRAY_FILTER_USE_BOTH));

        return new self($plan, $move, [...$cancel, ...$gone], $gone, $missed);
    }

    public function isNothing(): bool
    {
        return $this->plan === [] && $this->move === [] && $this->cancel === [];
    }
}
