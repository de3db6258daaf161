<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Records\RegisteredSessions;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;

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
        $now = RegisteredSessions::current($registration->person_id, $registration->webinar_id);
        DB::table('messages')->where('person_id', $registration->person_id)->where('state', MessageState::Waiting)
            ->where('registration_id', $registration->id)
            ->when($now !== null && $now['id'] === $registration->id, fn ($q) => $q->where('registration_number', '!=',
                $now['number'] ?? 0))
            ->update(['state' => MessageState::Cancelled, 'trouble' => mb_substr($why, 0, 500), 'updated_at' => Instant::sql($at)]);
    }
}
