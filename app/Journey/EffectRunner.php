<?php

declare(strict_types=1);

namespace App\Journey;

use App\Mail\Sending\Planner;
use App\Models\Delivery;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Version;
use App\Support\Instant;
use App\Webhooks\Webhooks;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
use LogicException;

/** Carries out what the core decided for a person. Call it within a transaction. */
final readonly class EffectRunner
{
    public function __construct(private Planner $planner, private Webhooks $hooks)
    {
    }

    /**
     * @param  list<Effect>  $effects
     * @param  Submission|null  $submission  the form that led to them, if one did
     */
    public function all(array $effects, Funnel $funnel, Version $version, Person $person, DateTimeImmutable $at, ?Submission $submission = null): void
    {
        foreach ($effects as $effect) {
            match (true) {
                $effect instanceof AddTag => app(Tagging::class)->add($person, $effect->tag, $at, $funnel->id),
                $effect instanceof DeliverFile => Delivery::query()->firstOrCreate(
                    ['person_id' => $person->id, 'lead_magnet_id' => $effect->leadMagnet], ['funnel_id' => $funnel->id]),
                $effect instanceof StartSequence => $this->start($effect, $funnel, $person),
                $effect instanceof StopSequence => self::stop($person->id, $effect->sequence, $effect->why, $at),
                $effect instanceof SendEmail => $this->planner->planSequenceEmail($funnel, $version, $person, $effect),
                $effect instanceof CancelEmails => self::cancelAll($person->id, 'Not written to any more before it was due.'),
                $effect instanceof TellOwner => $effect->notice === OwnerNotice::AtOnce && $submission !== null ? $this->planner->planNotice($submission) : null,
                $effect instanceof CallHook => $submission === null ? null : $this->hooks->call($funnel->business, $effect->url, 'form.filled-in', $submission),
                $effect instanceof AskToConfirm => null, // The sign-up itself asks: only it knows of whom.
                default => throw new LogicException('Nobody knows how to carry out '.$effect::class.'.'),
            };
        }
    }

    private function start(StartSequence $effect, Funnel $funnel, Person $person): void
    {
        $row = ['person_id' => $person->id, 'sequence_id' => $effect->sequence];
        if (DB::table('enrolments')->insertOrIgnore($row + ['funnel_id' => $funnel->id, 'started_at' => Instant::sql($effect->at)]) === 0) {
            DB::table('enrolments')->where($row)->where(fn (Builder $q) => $q->whereNotNull('ended_at')->orWhereNotExists(PersonLookup::onTheWay(...)))->update(['started_at' => Instant::sql($effect->at), 'run' => DB::raw('run + 1'),
                'paused_seconds' => 0, 'ended_at' => null, 'ended_why' => null]);
        }
    }

    /**
     * Ends a sequence for a person: what of it still waits is not sent.
     *
     * @param  string|Builder  $person  an id, or a query that gives ids
     */
    public static function stop(string|Builder $person, string $sequence, string $why, DateTimeImmutable $at): void
    {
        $theirs = fn (Builder $q): Builder => $person instanceof Builder ? $q->whereIn('person_id', $person) : $q->where('person_id', $person);
        $theirs(DB::table('enrolments'))->where('sequence_id', $sequence)->whereNull('ended_at')
            ->update(['ended_at' => Instant::sql($at), 'ended_why' => mb_substr($why, 0, 200)]);
        $theirs(DB::table('messages'))->where('sequence_id', $sequence)->where('state', 'waiting')
            ->update(['state' => 'cancelled', 'trouble' => mb_substr($why, 0, 500), 'updated_at' => Instant::sql($at)]);
    }

    /** Letters that wait are not sent, and sequences end. */
    public static function cancelAll(string $person, string $why): void
    {
        $now = Instant::sql(now());
        DB::table('messages')->where('person_id', $person)->where('state', 'waiting')->whereIn('kind', ['sequence', 'broadcast'])
            ->update(['state' => 'cancelled', 'trouble' => $why, 'updated_at' => $now]);
        DB::table('enrolments')->where('person_id', $person)->whereNull('ended_at')->update(['ended_at' => $now, 'ended_why' => $why]);
    }
}
