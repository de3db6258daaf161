<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Experiments\Exposures;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Records\PersonLookup;
use App\Records\RegisteredSessions;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\EmailTurn;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Sending\SequenceFacts;
use Lantern\Core\Sequences\EmailPlan;
use LogicException;

/** An email of a sequence: its words are those of the live version when it goes. */
final class SequenceMessage extends KindOfMessage
{
    public function source(Message $message): ?EmailSource
    {
        $live = self::plan($message);
        $plan = $live?->as((string) $message->email_id, self::variant($message, $live));
        $email = $plan?->email((string) $message->email_id);

        return $plan === null || $email === null ? null
            : EmailSource::ofEmail($message->business, $plan, $email, $message->funnel->address ?? $plan->address);
    }

    /** The letter that its reader got, or gets if it goes now; '' where the email is in no split test. */
    private static function variant(Message $message, Plan $plan): string
    {
        $test = $plan->testOf((string) $message->email_id);

        return match (true) {
            $message->sent_at !== null => (string) $message->variant,
            $test === null || $message->person_id === null => '',
            default => Exposures::letterFor($test->id, $plan->weightsOf($test), $message->person_id),
        };
    }

    /** What went out is kept with it, and counts for a split test from now on. */
    public function sent(Message $message, CarbonImmutable $at): void
    {
        $plan = self::plan($message);
        $test = $plan?->testOf((string) $message->email_id);
        if ($plan !== null && $test !== null && $message->person_id !== null) {
            $message->variant = Exposures::letterFor($test->id, $plan->weightsOf($test), $message->person_id);
            Exposures::send($test->id, $message->variant, $message->person_id, $at, $message->business->zone());
        }
    }

    public function optOut(Message $message): string
    {
        return (string) $message->sequence_id;
    }

    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        $plan = $message->funnel?->liveVersion?->plan();
        $email = $plan?->email((string) $message->email_id);

        return $plan === null ? SendVerdict::cancel(SequenceCheck::REMOVED)
            : SequenceCheck::of($plan, (string) $message->email_id, self::facts($message, $email, $now), $now);
    }

    private static function facts(Message $message, ?EmailPlan $email, CarbonImmutable $now): SequenceFacts
    {
        $person = $message->person ?? throw new LogicException('An email of a sequence has a reader.');
        $webinar = $email?->bySession()?->webinar;
        $current = $webinar === null ? null : RegisteredSessions::current($person->id, $webinar);
        $turn = new EmailTurn($message->run, $message->deadline_run, $message->registration_id, $message->registration_number);

        return new SequenceFacts(PersonLookup::forEmail($person, $email, $now),
            DB::table('sequence_pauses')->where('sequence_id', $email?->sequence)->exists(),
            $turn->isOf($current['id'] ?? null, $current['number'] ?? 0), $current === null || ! $current['open'],
            $current !== null && RegisteredSessions::isCalledOff((string) $webinar, $current['session']),
            $current['became'] ?? null);
    }
}
