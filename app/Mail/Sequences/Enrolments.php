<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Experiments\Exposures;
use App\Journey\ActingRule;
use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Mail\Sending\Planner;
use App\People\Bulk\LeavesSequences;
use App\Records\PersonLookup;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\SendOneEmail;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;

/** Who is in which sequence: they enter, their emails are planned, and they leave. */
final readonly class Enrolments implements CarriesOut, LeavesSequences
{
    public function __construct(private Planner $planner, private ActingRule $acting)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        match (true) {
            $effect instanceof StartSequence => $this->start($effect, $context),
            $effect instanceof StopSequence => self::stop($context->person->id, $effect->sequence, $effect->why, $context->at),
            $effect instanceof SendEmail
                && $context->version !== null => $this->planner->planSequenceEmail($context->version, $context->person, $effect),
            $effect instanceof SendOneEmail && $context->version !== null => $this->planner->planOneEmail($context->version,
                $context->person,
                $effect, $this->acting->run()),
            $effect instanceof CancelEmails => self::cancelAll($context->person->id, $effect->why, $context->at),
            default => null,
        };
    }

    private function start(StartSequence $effect, EffectContext $context): void
    {
        $row = ['person_id' => $context->person->id, 'sequence_id' => $effect->sequence];
        if (DB::table('enrolments')
            ->insertOrIgnore($row + ['funnel_id' => $context->funnel?->id, 'started_at' => Instant::sql($effect->at),
                'variant' => $effect->variant ?: null]) === 0) {
            DB::table('enrolments')->where($row)
                ->where(fn (Builder $q) => $q->whereNotNull('ended_at')->orWhereNotExists(PersonLookup::onTheWay(...)))
                ->update(['started_at' => Instant::sql($effect->at), 'run' => DB::raw('run + 1'), 'paused_seconds' => 0, 'ended_at' => null,
                    'ended_why' => null, 'variant' => $effect->variant ?: null]);
        }
        $test = $effect->variant === '' ? null : $context->version?->plan()->testOf($effect->sequence);
        if ($test !== null) {
            Exposures::send($test->id, $effect->variant, $context->person->id, $effect->at, $context->person->business->zone());
        }
    }

    /**
     * Ends a sequence for somebody: what of it still waits is not sent.
     *
     * @param  string|Builder  $person  an id, or a query that gives ids
     */
    public static function stop(string|Builder $person, string $sequence, string $why, DateTimeImmutable $at): void
    {
        $theirs = fn (Builder $q): Builder => $person instanceof Builder ? $q->whereIn('person_id', $person)
            : $q->where('person_id', $person);
        $theirs(DB::table('enrolments'))->where('sequence_id', $sequence)->whereNull('ended_at')
            ->update(['ended_at' => Instant::sql($at), 'ended_why' => mb_substr($why, 0, 200)]);
        $theirs(DB::table('messages'))->where('sequence_id', $sequence)->where('state', MessageState::Waiting)
            ->update(['state' => MessageState::Cancelled, 'trouble' => mb_substr($why, 0, 500), 'updated_at' => Instant::sql($at)]);
    }

    public function leave(Builder $people, string $sequence, string $why, DateTimeImmutable $at): void
    {
        self::stop($people, $sequence, $why, $at);
    }

    /** Emails of sequences and broadcasts that wait are not sent, and sequences end. */
    private static function cancelAll(string $person, string $why, DateTimeImmutable $at): void
    {
        DB::table('messages')->where('person_id', $person)->where('state', MessageState::Waiting)
            ->whereIn('kind', [MessageKind::Sequence->value, MessageKind::Broadcast->value])
            ->update(['state' => MessageState::Cancelled, 'trouble' => $why, 'updated_at' => Instant::sql($at)]);
        DB::table('enrolments')->where('person_id', $person)->whereNull('ended_at')
            ->update(['ended_at' => Instant::sql($at), 'ended_why' => $why]);
    }
}
