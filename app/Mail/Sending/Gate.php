<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Mail\Emails\KindsOfMessages;
use App\Models\Message;
use App\People\Consent\Suppressions;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\People\Subscription;
use Lantern\Core\Sending\Recipient;
use Lantern\Core\Sending\SendCheck;

/** Loads what the last look before a message goes out asks for: who it is for ({@see SendCheck}), then what its kind looks at. */
final readonly class Gate
{
    public function __construct(private KindsOfMessages $kinds)
    {
    }

    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        $kind = $this->kinds->kindOf($message);
        $optOut = $kind->optOut($message);
        $verdict = SendCheck::of($message->kind, $kind->isForPerson(), $optOut !== null, self::recipient($message, $optOut), $now);

        return $verdict->goes() && $message->person !== null ? $kind->verdict($message, $now) : $verdict;
    }

    /** @param  string|null  $optOut  the name under which its reader may choose to get no more like it */
    private static function recipient(Message $message, ?string $optOut): ?Recipient
    {
        $person = $message->person;
        if ($person === null || $person->erased_at !== null) {
            return null;
        }
        $why = $person->suppressed ?? Suppressions::why($message->business_id, $message->to_address);

        return new Recipient($person->subscription(), $why === null ? null : Subscription::tryFrom($why), $optOut !== null
            && DB::table('opt_outs')->where('person_id', $person->id)->where('what', $optOut)->exists(), $person->quiet_until);
    }
}
