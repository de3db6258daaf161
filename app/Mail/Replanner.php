<?php

declare(strict_types=1);

namespace App\Mail;

use App\Journey\Known;
use App\Models\Enrolment;
use App\Models\Funnel;
use App\Models\Version;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Generator;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Email\EmailPlan;
use Lantern\Core\Email\Replan;
use Lantern\Core\Email\SequencePlan;
use Lantern\Core\Email\Timing;
use Lantern\Core\Funnel\Plan;

/** Carries a change of a sequence to the people who are in it, or says beforehand what it would mean for them. */
final class Replanner
{
    public const TAKEN_OUT = 'The email was taken out of the funnel.';

    private const AT_ONCE = 300;

    /**
     * What publishing a plan would mean for the people in its sequences.
     *
     * @return list<array{sequence: string, name: string, people: int, sentences: list<string>}> only sequences that change for somebody
     */
    public function preview(Funnel $funnel, Plan $draft, CarbonImmutable $now): array
    {
        $live = $funnel->liveVersion?->plan();
        if ($live === null) {
            return [];
        }
        $result = [];
        foreach ($this->sequences($live, $draft) as $sequence) {
            $people = 0;
            $counts = ['plan' => [], 'move' => [], 'cancel' => [], 'missed' => []];
            foreach ($this->replans($sequence, $draft->emailsOf($sequence->id), $now) as [, $replan]) {
                $people++;
                foreach (['plan' => array_keys($replan->plan), 'move' => array_keys($replan->move), 'cancel' => $replan->cancel, 'missed' => $replan->missed] as $what => $emails) {
                    foreach ($emails as $email) {
                        $counts[$what][$email] = ($counts[$what][$email] ?? 0) + 1;
                    }
                }
            }
            $name = fn (string $id): string => $draft->email($id)->name ?? $live->email($id)->name ?? 'An email';
            $sentences = [];
            foreach (['plan' => 'will also be sent to', 'move' => 'comes at another time for', 'cancel' => 'is no longer sent to', 'missed' => 'is not sent to those who are past it already:'] as $what => $words) {
                foreach ($counts[$what] as $email => $n) {
                    // Who was past an email before the change is past it as before: only what is new can be missed.
                    if ($what !== 'missed' || $live->email((string) $email) === null) {
                        $sentences[] = "“{$name((string) $email)}” {$words} ".($n === 1 ? 'one person' : number_format($n).' people').'.';
                    }
                }
            }
            if ($people > 0 && $sentences !== []) {
                $result[] = ['sequence' => $sequence->id, 'name' => $sequence->name, 'people' => $people, 'sentences' => $sentences];
            }
        }

        return $result;
    }

    /** Makes it so, after a version has gone live. Doing it twice is doing it once. */
    public function apply(Version $version, CarbonImmutable $now): void
    {
        $plan = $version->plan();
        $gone = array_diff(DB::table('enrolments')->where('funnel_id', $version->funnel_id)->whereNull('ended_at')->distinct()->pluck('sequence_id')->map(fn ($s): string => (string) $s)->all(),
            array_map(fn (SequencePlan $s): string => $s->id, $plan->sequences));
        foreach ([...$plan->sequences, ...array_map(fn (string $id): SequencePlan => new SequencePlan($id, 'gone'), array_values($gone))] as $sequence) {
            foreach ($this->replans($sequence, $plan->emailsOf($sequence->id), $now) as [$enrolment, $replan]) {
                if (! $replan->isNothing()) {
                    DB::transaction(fn () => $this->carryOut($version, $enrolment, $replan, $now));
                }
            }
        }
    }

    /** The sequence goes on after it stood still: what waits moves on by as long as it stood. */
    public function resume(Version $version, SequencePlan $sequence, CarbonImmutable $pausedAt, CarbonImmutable $now): void
    {
        foreach (Enrolment::query()->where('sequence_id', $sequence->id)->whereNull('ended_at')->where('started_at', '<', Instant::sql($now))->lazyById(self::AT_ONCE) as $enrolment) {
            $enrolment->forceFill(['paused_seconds' => $enrolment->paused_seconds + Timing::pausedFor($enrolment->started_at, $pausedAt, $now)])->save();
        }
        foreach ($this->replans($sequence, $version->plan()->emailsOf($sequence->id), $now, true) as [$enrolment, $replan]) {
            DB::transaction(fn () => $this->carryOut($version, $enrolment, $replan, $now));
        }
    }

    /** @return list<SequencePlan> those whose emails or times differ, as they will be */
    private function sequences(Plan $live, Plan $draft): array
    {
        $written = fn (Plan $p, string $id): string => json_encode([array_map(fn (EmailPlan $e): array => [$e->id, $e->delay->toArray()], $p->emailsOf($id)),
            $p->sequence($id)?->window->toArray(), $p->sequence($id)?->byReader], JSON_THROW_ON_ERROR);
        $changed = array_filter($draft->sequences, fn (SequencePlan $s): bool => $written($live, $s->id) !== $written($draft, $s->id));
        $gone = array_filter($live->sequences, fn (SequencePlan $s): bool => $draft->sequence($s->id) === null);

        return array_values([...$changed, ...$gone]);
    }

    /**
     * @param  list<EmailPlan>  $emails
     * @param  bool  $late  move what has become due while nothing went out, too
     * @return Generator<array{Enrolment, Replan}>
     */
    private function replans(SequencePlan $sequence, array $emails, CarbonImmutable $now, bool $late = false): Generator
    {
        $last = 0;
        do {
            $enrolments = Enrolment::query()->with('person.business')->where('sequence_id', $sequence->id)->whereNull('ended_at')->where('id', '>', $last)->orderBy('id')->limit(self::AT_ONCE)->get();
            $messages = [];
            foreach (DB::table('messages')->where('sequence_id', $sequence->id)->whereIn('person_id', $enrolments->pluck('person_id'))->whereNotNull('email_id')
                ->where(fn ($q) => $q->where('state', '!=', 'cancelled')->orWhereNull('trouble')->orWhere('trouble', '!=', self::TAKEN_OUT))
                ->orderBy('created_at')->get(['person_id', 'email_id', 'state', 'due_at']) as $m) {
                $messages[$m->person_id][$m->email_id] = ['state' => (string) $m->state, 'due' => new DateTimeImmutable($late && $m->state === 'waiting' ? '2999-01-01' : (string) $m->due_at, new \DateTimeZone('UTC'))];
            }
            foreach ($enrolments as $enrolment) {
                $last = $enrolment->id;
                $timing = new Timing($sequence, Known::zone($enrolment->person), $enrolment->person->business->zone());
                yield [$enrolment, Replan::of($timing, $emails, $messages[$enrolment->person_id] ?? [], $enrolment->started_at, $now, $enrolment->paused_seconds)];
            }
        } while ($enrolments->count() === self::AT_ONCE);
    }

    private function carryOut(Version $version, Enrolment $enrolment, Replan $replan, CarbonImmutable $now): void
    {
        $stamp = Instant::sql($now);
        $waiting = fn (string $email) => DB::table('messages')->where('person_id', $enrolment->person_id)->where('sequence_id', $enrolment->sequence_id)->where('email_id', $email)->where('state', 'waiting');
        foreach ($replan->move as $email => $due) {
            $waiting($email)->update(['due_at' => Instant::sql($due), 'queued_at' => null, 'updated_at' => $stamp]);
        }
        foreach ($replan->cancel as $email) {
            $waiting($email)->update(['state' => 'cancelled', 'trouble' => self::TAKEN_OUT, 'updated_at' => $stamp]);
        }
        foreach ($replan->plan as $email => $due) {
            $row = ['state' => 'waiting', 'due_at' => Instant::sql($due), 'queued_at' => null, 'trouble' => null, 'updated_at' => $stamp];
            $key = Planner::sequenceKey($email, $enrolment->person_id, $enrolment->run);
            // One that was taken out and put back is the same message again.
            if (DB::table('messages')->where('unique_key', $key)->where('state', 'cancelled')->where('trouble', self::TAKEN_OUT)->update($row) === 0) {
                DB::table('messages')->insertOrIgnore($row + ['id' => Ids::next(), 'unique_key' => $key, 'business_id' => $enrolment->person->business_id, 'person_id' => $enrolment->person_id,
                    'funnel_id' => $enrolment->funnel_id, 'version_id' => $version->id, 'email_id' => $email, 'sequence_id' => $enrolment->sequence_id, 'kind' => 'sequence',
                    'name' => $version->plan()->email($email)->name ?? 'Email', 'to_address' => $enrolment->person->email, 'created_at' => $stamp]);
            }
        }
    }
}
