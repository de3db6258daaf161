<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Support\Instant;
use App\Webinars\Registrations\RegisteredSessions;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Emails\MessageState;

/** Emails that are told from a session, and wait. */
final class SessionMails
{
    /**
     * Those of a session that is theirs no more are not sent. What is planned for the session they have now stays.
     *
     * @param  string  $why  in one sentence, for the owner
     */
    public static function cancel(Registration $registration, string $why, DateTimeImmutable $at): void
    {
        $now = RegisteredSessions::turn($registration->person_id, $registration->webinar_id);
        DB::table('messages')->where('person_id', $registration->person_id)->where('state', MessageState::Waiting)
            ->where('unique_key', 'like', "%:s{$registration->id}.%")
            ->when($now !== '', fn ($q) => $q->where('unique_key', 'not like', "%{$now}"))
            ->update(['state' => MessageState::Cancelled, 'trouble' => mb_substr($why, 0, 500), 'updated_at' => Instant::sql($at)]);
    }
}
