<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\Verdict;
use App\Models\Message;
use App\People\Facts\PersonLookup;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Sequences\Timing;

/** An email of a sequence: its words are those of the live version when it goes. */
final class SequenceMessage extends KindOfMessage
{
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

    public function verdict(Message $message, CarbonImmutable $now): Verdict
    {
        $plan = $message->funnel?->liveVersion?->plan();
        $email = $plan?->email((string) $message->email_id);
        $sequence = $plan?->sequence($email->sequence ?? '');
        if ($plan === null || $email === null) {
            return Verdict::cancel(Replanner::REMOVED);
        }
        if ($sequence === null || $message->person === null) {
            return Verdict::go();
        }
        if (DB::table('sequence_pauses')->where('sequence_id', $sequence->id)->exists()) {
            return Verdict::later($now->addMinutes(5));
        }
        if (! $email->only->isEverybody() && ! $email->only->holds(PersonLookup::facts($message->person, $now))) {
            return Verdict::cancel('Left out: it is only for some readers, and this is not one of them.');
        }
        // A worker that comes late does not write in the night.
        $opens = (new Timing($sequence, PersonLookup::zone($message->person), $message->business->zone()))->notBefore($email, $now);

        return $opens > $now ? Verdict::later(CarbonImmutable::instance($opens)) : Verdict::go();
    }
}
