<?php

declare(strict_types=1);

namespace Lantern\Core\Sending;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Messages\LateSession;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Webinars\SessionAnchor;

/** The last look before an email of a sequence goes out, once nothing about its reader speaks against it. */
final readonly class SequenceCheck
{
    public const REMOVED = 'The email was removed from the funnel.';

    public const TOO_LATE = 'It would have come too late.';

    public const LEFT_OUT = 'Left out: it is only for some readers, and this is not one of them.';

    /** Minutes until it is looked at again while its sequence stands still; and while it is not known what became of a session. */
    private const PAUSED = 5;

    private const UNSETTLED = 1;

    /** Seconds that a moment may have moved without the email being put off once more. */
    private const MOVED = 60;

    private function __construct(private Plan $plan, private EmailPlan $email, private SequencePlan $sequence, private SequenceFacts $facts,
        private DateTimeImmutable $now)
    {
    }

    /** @param  string  $email  its id; it goes as the plan has it now */
    public static function of(Plan $plan, string $email, SequenceFacts $facts, DateTimeImmutable $now): SendVerdict
    {
        $found = $plan->email($email);
        $sequence = $plan->sequence($found->sequence ?? '');

        return match (true) {
            $found === null => SendVerdict::cancel(self::REMOVED),
            $sequence === null => SendVerdict::go(),
            default => (new self($plan, $found, $sequence, $facts, $now))->verdict(),
        };
    }

    private function verdict(): SendVerdict
    {
        if ($this->facts->paused) {
            return SendVerdict::later($this->now->modify('+'.self::PAUSED.' minutes'));
        }
        if ($this->waitsForOutcome()) {
            return SendVerdict::later($this->now->modify('+'.self::UNSETTLED.' minute'));
        }
        if (! $this->email->only->isEverybody() && ! $this->email->only->holds(EmailReader::of($this->facts->person,
            $this->email->bySession()?->webinar, $this->facts->became), $this->now)) {
            return SendVerdict::cancel(self::LEFT_OUT);
        }
        if ($this->email->byDeadline() !== null) {
            return $this->byDeadline();
        }
        $word = $this->ofSession();
        if ($word !== null) {
            return $word;
        }
        // A worker that comes late does not write in the night.
        $opens = $this->timing()->notBefore($this->email, $this->now);

        return $opens > $this->now ? SendVerdict::later($opens) : SendVerdict::go();
    }

    /** An email after a session may depend on what became of its reader there, which is not known at its very end. */
    private function waitsForOutcome(): bool
    {
        $moment = $this->email->bySession();
        if ($moment?->anchor !== SessionAnchor::AfterEnd || $this->facts->settled) {
            return false;
        }
        $registered = $this->facts->person->registrations()[$moment->webinar] ?? null;

        return $registered !== null && ($registered->session->isOnDemand() || $registered->session->endsAt <= $this->now);
    }

    /** What is told from a session goes only to whoever has it still, and while it makes sense. */
    private function ofSession(): ?SendVerdict
    {
        $moment = $this->email->bySession();
        if ($moment === null) {
            return null;
        }
        $registered = $this->facts->person->registrations()[$moment->webinar] ?? null;
        if ($registered === null || $registered->waiting) {
            return SendVerdict::cancel('Has no place in a session.');
        }
        if (! $this->facts->sameRegistration) {
            return SendVerdict::cancel('Is in another session now.');
        }
        if ($this->facts->calledOff) {
            return SendVerdict::cancel('The session was cancelled.');
        }
        if ($this->now >= $moment->lapses($registered->session, $registered->replay)) {
            return SendVerdict::cancel(self::TOO_LATE, new LateSession($moment->webinar, $registered->session->key));
        }

        return $this->notYet($moment->dueFor($registered));
    }

    /** What is told from a deadline goes only while it is true, and to nobody who has bought what the deadline is about. */
    private function byDeadline(): SendVerdict
    {
        $by = $this->email->byDeadline();
        $deadline = $by === null ? null : $this->plan->deadline($by->deadline);
        $run = $deadline === null ? null : $this->facts->person->deadlines()[$deadline->id] ?? null;
        if ($by === null || $deadline === null || $run === null) {
            return SendVerdict::cancel('Its deadline does not run for this person.');
        }
        $zone = $this->timing()->zone();
        if ($this->now >= $by->tooLate($run, $zone)) {
            return SendVerdict::cancel(self::TOO_LATE);
        }
        if (array_intersect($this->sold($deadline), $deadline->offers === [] ? [] : $this->facts->person->products()) !== []) {
            return SendVerdict::cancel('Has bought what the deadline is about.');
        }

        return $this->notYet($by->at($run, $zone)) ?? SendVerdict::go();
    }

    /** It may have been planned by an end, or for a session, that has moved since. */
    private function notYet(?DateTimeImmutable $due): ?SendVerdict
    {
        return $due !== null && $due > $this->now->modify('+'.self::MOVED.' seconds') ? SendVerdict::later($due) : null;
    }

    /** @return list<string> ids of what is sold by the offers that a deadline guards: at another price, it is bought all the same */
    private function sold(Deadline $deadline): array
    {
        return array_values(array_filter(array_map(fn (string $offer): string => $this->plan->offer($offer)->product ?? '',
            $deadline->offers)));
    }

    private function timing(): Timing
    {
        return new Timing($this->sequence, $this->facts->person->zone, $this->facts->person->ownerZone);
    }
}
