<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Mail\Emails\KindsOfMessages;
use App\Models\Message;
use App\People\Consent\Suppressions;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\SendVerdict;

/** The last look before a message goes out: may it, now, to this person? */
final readonly class Gate
{
    public function __construct(private KindsOfMessages $kinds)
    {
    }

    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        $kind = $this->kinds->of($message);
        $person = $message->person;
        if ($person === null) {
            return $kind->isForPerson() ? SendVerdict::cancel('The person it was for is gone.') : SendVerdict::go();
        }
        if ($person->erased_at !== null) {
            return SendVerdict::cancel('The person it was for is gone.');
        }
        // Whoever must not be written to is not, whatever was asked for meanwhile, and by whomever.
        $why = $person->suppressed ?? Suppressions::why($message->business_id, $message->to_address);
        if ($why === 'complained' || $why === 'bounced') {
            return SendVerdict::cancel($why === 'complained' ? 'Reported an earlier email as spam.'
                : 'This address refused an earlier message for good.');
        }
        // A new link and a confirmation are asked for, each one; emails are what one unsubscribes from.
        $what = $kind->optOut($message);
        if ($what === null) {
            return $kind->verdict($message, $now);
        }
        $refused = $kind->refuses($person->subscription());
        if ($refused !== null) {
            return SendVerdict::cancel($refused);
        }
        if (DB::table('opt_outs')->where('person_id', $person->id)->where('what', $what)->exists()) {
            return SendVerdict::cancel('Chose not to get these any more.');
        }
        if ($person->quiet_until !== null && $person->quiet_until > $now) {
            return SendVerdict::later($person->quiet_until);
        }

        return $kind->verdict($message, $now);
    }
}
