<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Records\RegisteredSessions;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\EmailTurn;
use Lantern\Core\Sequences\EmailPlan;

/** The how-manieth time an email of a sequence is somebody's, as it is written down with the message. */
final class EmailTurns
{
    /** @param  int|null  $run  of the sequence, where it is known already */
    public static function of(?EmailPlan $email, string $person, ?int $run = null): EmailTurn
    {
        $run ??= (int) (DB::table('enrolments')->where('person_id', $person)->where('sequence_id', $email?->sequence)->value('run') ?? 1);
        $deadlineRun = $email?->byDeadline() === null ? 1 : (int) (DB::table('deadline_runs')->where('deadline_id',
            $email->byDeadline()->deadline)
            ->where('person_id', $person)->value('number') ?? 1);
        $of = $email?->bySession() === null ? null : RegisteredSessions::current($person, $email->bySession()->webinar);

        return new EmailTurn($run, $deadlineRun, $of['id'] ?? null, $of['number'] ?? 0);
    }

    /** @return array{run: int, deadline_run: int, registration_id: string|null, registration_number: int} as columns */
    public static function columns(EmailTurn $turn): array
    {
        return ['run' => $turn->run, 'deadline_run' => $turn->deadlineRun, 'registration_id' => $turn->registration,
            'registration_number' => $turn->registrationNumber];
    }
}
