<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Models\Message;
use App\People\Consent\Suppressions;
use App\People\Facts\PersonLookup;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Standing;
use Lantern\Core\Sequences\Timing;

/** The last look before a message goes out: may it, now, to this person? */
final readonly class Gate
{
    private function __construct(public ?string $cancel = null, public ?CarbonImmutable $later = null)
    {
    }

    public static function of(Message $message, CarbonImmutable $now): self
    {
        $person = $message->person;
        if ($person === null) {
            return in_array($message->kind, ['notice', 'test'], true) ? new self : new self('The person it was for is gone.');
        }
        if ($person->erased_at !== null) {
            return new self('The person it was for is gone.');
        }
        // Whoever must not be written to is not, whatever was asked for meanwhile, and by whomever.
        $standing = $person->standing();
        $why = $person->suppressed ?? Suppressions::why($message->business_id, $message->to_address);
        if ($why === 'complained' || $why === 'bounced') {
            return new self($why === 'complained' ? 'Reported an earlier email as spam.' : 'This address refused an earlier message for good.');
        }
        // A new link and a confirmation are asked for, each one; emails are what one unsubscribes from.
        if (! in_array($message->kind, ['sequence', 'broadcast'], true)) {
            return new self;
        }
        if (! $standing->getsSequences()) {
            return new self($standing === Standing::Unsubscribed ? 'Unsubscribed before it was due.' : 'The address was never confirmed.');
        }
        if ($message->kind === 'broadcast' && $standing !== Standing::Subscribed) {
            return new self('Agreed only to what they asked for.');
        }
        $what = $message->kind === 'broadcast' ? 'broadcasts' : (string) $message->sequence_id;
        if (DB::table('opt_outs')->where('person_id', $person->id)->where('what', $what)->exists()) {
            return new self('Chose not to get these any more.');
        }
        if ($person->quiet_until !== null && $person->quiet_until > $now) {
            return new self(later: $person->quiet_until);
        }

        return $message->kind === 'sequence' ? self::sequence($message, $now) : new self;
    }

    private static function sequence(Message $message, CarbonImmutable $now): self
    {
        $plan = $message->funnel?->liveVersion?->plan();
        $email = $plan?->email((string) $message->email_id);
        $sequence = $plan?->sequence($email->sequence ?? '');
        if ($plan === null || $email === null) {
            return new self('The email was removed from the funnel.');
        }
        if ($sequence === null || $message->person === null) {
            return new self;
        }
        if (DB::table('sequence_pauses')->where('sequence_id', $sequence->id)->exists()) {
            return new self(later: $now->addMinutes(5));
        }
        if (! $email->only->isEverybody() && ! $email->only->holds(PersonLookup::facts($message->person, $now))) {
            return new self('Left out: it is only for some readers, and this is not one of them.');
        }
        // A worker that comes late does not write in the night.
        $opens = (new Timing($sequence, PersonLookup::zone($message->person), $message->business->zone()))->notBefore($email, $now);

        return $opens > $now ? new self(later: CarbonImmutable::instance($opens)) : new self;
    }
}
