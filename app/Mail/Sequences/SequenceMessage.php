<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Deadlines\Running\Runs;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Sending\Planner;
use App\Models\Message;
use App\Models\Person;
use App\People\Facts\PersonLookup;
use App\Webinars\Registrations\RegisteredSessions;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\Orders\LineState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;

/** An email of a sequence: its words are those of the live version when it goes. */
final class SequenceMessage extends KindOfMessage
{
    public const TOO_LATE = 'It would have come too late.';

    /** Minutes in which others that came too late are found as well. */
    private const TELLS_AFTER = 5;

    public function __construct(private readonly Planner $planner)
    {
    }

    public function source(Message $message): ?EmailSource
    {
        $plan = self::plan($message);
        $email = $plan?->email((string) $message->email_id);

        return $plan === null || $email === null ? null
            : EmailSource::ofEmail($message->business, $plan, $email, $message->funnel->address ?? $plan->address);
    }

    public function optOut(Message $message): string
    {
        return (string) $message->sequence_id;
    }

    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        $plan = $message->funnel?->liveVersion?->plan();
        $email = $plan?->email((string) $message->email_id);
        $sequence = $plan?->sequence($email->sequence ?? '');
        if ($plan === null || $email === null) {
            return SendVerdict::cancel(Replanner::REMOVED);
        }
        if ($sequence === null || $message->person === null) {
            return SendVerdict::go();
        }
        if (DB::table('sequence_pauses')->where('sequence_id', $sequence->id)->exists()) {
            return SendVerdict::later($now->addMinutes(5));
        }
        if ($email->session?->anchor === SessionAnchor::AfterEnd && self::isOpen($email->session, $message->person)) {
            // What became of their session is not known yet.
            return SendVerdict::later($now->addMinute());
        }
        if (! $email->only->isEverybody() && ! $email->only->holds(PersonLookup::forRules($message->person, $now), $now)) {
            return SendVerdict::cancel('Left out: it is only for some readers, and this is not one of them.');
        }
        if ($email->by !== null) {
            return self::byDeadline($email->by, $plan, $sequence, $message->person, $now);
        }
        if ($email->session !== null && ($word = $this->ofSession($email->session, $message, $now)) !== null) {
            return $word;
        }
        // A worker that comes late does not write in the night.
        $opens = (new Timing($sequence, PersonLookup::zone($message->person), $message->business->zone()))->notBefore($email, $now);

        return $opens > $now ? SendVerdict::later(CarbonImmutable::instance($opens)) : SendVerdict::go();
    }

    private static function isOpen(SessionMoment $moment, Person $person): bool
    {
        $registration = RegisteredSessions::find($person->id, $moment->webinar);

        return $registration !== null && $registration->open !== null
            && ($registration->isOnDemand() || $registration->ends_at <= CarbonImmutable::now());
    }

    /**
     * What is told from a session goes only to whoever has it still, and while it makes sense.
     *
     * @return SendVerdict|null nothing where nothing speaks against it
     */
    private function ofSession(SessionMoment $moment, Message $message, CarbonImmutable $now): ?SendVerdict
    {
        $person = (string) $message->person_id;
        $registered = RegisteredSessions::ofPeople([$person], [$moment->webinar])[$person][$moment->webinar] ?? null;
        if ($registered === null || $registered->waiting) {
            return SendVerdict::cancel('Has no place in a session.');
        }
        $current = RegisteredSessions::current($person, $moment->webinar);
        if ($message->registration_id !== ($current['id'] ?? null) || $message->registration_number !== ($current['number'] ?? 0)) {
            return SendVerdict::cancel('Is in another session now.');
        }
        if (RegisteredSessions::isCalledOff($moment->webinar, $registered->session->key)) {
            return SendVerdict::cancel('The session was cancelled.');
        }
        if ($now >= $moment->lapses($registered->session, $registered->replay)) {
            // Something kept emails from going out: its owner hears of it, once for each session, and of how many.
            $this->planner->planRoomNotice($message->business, (string) $message->funnel_id,
                "late:{$moment->webinar}:{$registered->session->key}", $now->addMinutes(self::TELLS_AFTER),
                ['late' => $moment->webinar, 'session' => $registered->session->key]);

            return SendVerdict::cancel(self::TOO_LATE);
        }
        // It may have been planned for a moment that has moved since.
        $due = $moment->dueFor($registered);

        return $due !== null && $due > $now->addMinute() ? SendVerdict::later(CarbonImmutable::instance($due)) : null;
    }

    /** What is told from a deadline goes only while it is true, and to nobody who has bought what the deadline is about. */
    private static function byDeadline(DeadlineMoment $by, Plan $plan, SequencePlan $sequence, Person $person,
        CarbonImmutable $now): SendVerdict
    {
        $deadline = $plan->deadline($by->deadline);
        $run = Runs::ofPeople([$person->id], [$by->deadline], $now)[$person->id][$by->deadline] ?? null;
        if ($deadline === null || $run === null) {
            return SendVerdict::cancel('Its deadline does not run for this person.');
        }
        $zone = (new Timing($sequence, PersonLookup::zone($person), $person->business->zone()))->zone();
        if ($now >= $by->tooLate($run, $zone)) {
            return SendVerdict::cancel(self::TOO_LATE);
        }
        $bought = $deadline->offers !== [] && DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')
            ->where('orders.person_id', $person->id)->where('order_lines.state', LineState::Bought->value)
            ->whereIn('order_lines.product_id', self::products($plan, $deadline))->exists();
        if ($bought) {
            return SendVerdict::cancel('Has bought what the deadline is about.');
        }
        // It may have been planned by an end that has moved since.
        $due = $by->at($run, $zone);

        return $due > $now->addMinute() ? SendVerdict::later(CarbonImmutable::instance($due)) : SendVerdict::go();
    }

    /** @return list<string> ids of what is sold by the offers that a deadline guards: at another price, it is bought all the same */
    private static function products(Plan $plan, Deadline $deadline): array
    {
        return array_values(array_filter(array_map(fn (string $offer): string => $plan->offer($offer)->product ?? '', $deadline->offers)));
    }
}
