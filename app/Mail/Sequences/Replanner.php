<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Mail\Sending\EmailTurns;
use App\Models\Funnel;
use App\Models\SequencePause;
use App\Models\Version;
use App\Records\RegisteredSessions;
use App\Records\Runs;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\Replan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Webinars\RegisteredSession;
use stdClass;

/** Carries a change of a sequence to the people who are in it, or says beforehand what it would mean for them. */
final class Replanner
{
    /** Like what was removed, such an email may be planned again. */
    public const OUTRUN = 'Its deadline ends sooner now, or runs no more.';

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
            [$emails, $about] = $this->changed($live, $draft, $sequence);
            $after = 0;
            do {
                $piece = $this->piece($draft, $sequence, $emails, $funnel->business->zone(), $after, $now, about: $about, draft: $draft);
                foreach ($piece as [$enrolment, $replan]) {
                    $after = (int) $enrolment->id;
                    foreach (['plan' => array_keys($replan->plan), 'move' => array_keys($replan->move), 'cancel' => $replan->cancel,
                        'missed' => $replan->missed] as $what => $ids) {
                        foreach ($ids as $id) {
                            $counts[$what][$id] = ($counts[$what][$id] ?? 0) + 1;
                        }
                    }
                }
                $people += count($piece);
            } while (count($piece) === self::AT_ONCE);
            $name = fn (string $id): string => $draft->email($id)->name ?? $live->email($id)->name ?? 'An email';
            $sentences = [];
            foreach (['plan' => 'will also be sent to', 'move' => 'comes at another time for', 'cancel' => 'is no longer sent to',
                'missed' => 'is not sent to those who are past it already:'] as $what => $words) {
                foreach ($counts[$what] as $email => $n) {
                    // Who was past an email before the change is past it as before: only what is new can be missed.
                    if ($what !== 'missed' || $live->email((string) $email) === null) {
                        $sentences[] = "“{$name((string) $email)}” {$words} ".($n === 1 ? 'one person' : number_format($n).' people')
                            .'.';
                    }
                }
            }
            if ($people > 0 && $sentences !== []) {
                $result[] = ['sequence' => $sequence->id, 'name' => $sequence->name, 'people' => $people, 'sentences' => $sentences];
            }
        }

        return $result;
    }

    /** Makes it so, after a version has gone live, for everybody. Doing it twice is doing it once. */
    public function apply(Version $version, CarbonImmutable $now): void
    {
        for ($place = ['', 0]; $place !== null;) {
            $place = $this->carry($version, $now, ...$place);
        }
    }

    /**
     * Makes it so for some hundred people, in one short transaction.
     *
     * @param  string  $id  of the sequence it has come to; those before it are done
     * @param  int  $after  the last enrolment that is done
     * @return array{string, int}|null where to go on
     */
    public function carry(Version $version, CarbonImmutable $now, string $id, int $after): ?array
    {
        $plan = $version->plan();
        $ids = array_map(fn (SequencePlan $s): string => $s->id, $plan->sequences);
        $open = DB::table('enrolments')->where('funnel_id', $version->funnel_id)->whereNull('ended_at')->distinct()->pluck('sequence_id')
            ->map(fn ($s): string => (string) $s)->all();
        // Of a sequence that is gone, what waits is removed.
        $left = array_filter(array_unique([...$ids, ...$open]), fn (string $s): bool => $s > $id || ($s === $id && $after > 0));
        sort($left);
        if ($left === []) {
            return null;
        }
        [$current] = $left;
        $sequence = $plan->sequence($current) ?? new SequencePlan($current, 'gone');
        $last = DB::transaction(function () use ($version, $plan, $sequence, $now, $current, $id, $after): int {
            $piece = $this->piece($plan, $sequence, $plan->emailsOf($current), $version->funnel->business->zone(),
                $current === $id ? $after : 0, $now);
            $this->carryOut($version, $sequence->id, $piece, $now);

            return count($piece) === self::AT_ONCE ? (int) $piece[self::AT_ONCE - 1][0]->id : 0;
        });

        return [$current, $last];
    }

    /**
     * A sequence that stood still goes on: what waits moves on by as long as it stood. Some hundred people in one short
     * transaction, together with the place it has come to; until it is through, the sequence stands.
     *
     * @return bool is there more to do?
     */
    public function goOn(string $id, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($id, $now): bool {
            $pause = SequencePause::query()->find($id);
            $funnel = Funnel::query()->with(['liveVersion', 'business'])->whereHas('parts', fn ($q) => $q->where('id', $id))->first();
            if ($pause === null) {
                return false;
            }
            $version = $funnel?->liveVersion;
            $plan = $version?->plan();
            $sequence = $plan?->sequence($id);
            $resumes = $pause->resumes_at ?? $now;
            $piece = [];
            if ($funnel !== null && $version !== null && $plan !== null && $sequence !== null) {
                $this->addPause($id, $pause->resume_place, $pause->paused_at, $resumes);
                $piece = $this->piece($plan, $sequence, $plan->emailsOf($id), $funnel->business->zone(), $pause->resume_place, $now, true);
                $this->carryOut($version, $id, $piece, $now);
            }
            $more = count($piece) === self::AT_ONCE;
            $more ? $pause->forceFill(['resumes_at' => $resumes, 'resume_place' => (int) $piece[self::AT_ONCE - 1][0]->id])->save()
                : $pause->delete();

            return $more;
        });
    }

    /** The pause is added for the next piece of people: to each as much of it as they were in the sequence for. */
    private function addPause(string $id, int $after, CarbonImmutable $from, CarbonImmutable $to): void
    {
        $by = [];
        foreach ($this->inside($id, $after)->get(['enrolments.id', 'started_at']) as $row) {
            $by[Timing::pausedFor(new DateTimeImmutable((string) $row->started_at, new DateTimeZone('UTC')), $from,
                $to)][] = (int) $row->id;
        }
        foreach ($by as $seconds => $ids) {
            DB::table('enrolments')->whereIn('id', $ids)->increment('paused_seconds', $seconds);
        }
    }

    /** @return list<SequencePlan> those whose emails or times differ, as they will be */
    private function sequences(Plan $live, Plan $draft): array
    {
        $written = fn (Plan $p, string $id): string => json_encode([array_map(fn (EmailPlan $e): array => [$e->id, self::when($p, $e)],
            $p->emailsOf($id)),
            $p->sequence($id)?->window->toArray(), $p->sequence($id)?->byReader], JSON_THROW_ON_ERROR);
        $changed = array_filter($draft->sequences, fn (SequencePlan $s): bool => $written($live, $s->id) !== $written($draft, $s->id));
        $gone = array_filter($live->sequences, fn (SequencePlan $s): bool => $draft->sequence($s->id) === null);

        return array_values([...$changed, ...$gone]);
    }

    /**
     * @return list<array<string, mixed>> when an email goes out in each variant of the timing of its sequence, as far as the plan says
     *     it, with the moment for everyone it is told from
     */
    private static function when(Plan $plan, EmailPlan $email): array
    {
        $times = [];
        foreach (self::inEveryVariant($plan, $email->sequence, [$email]) as $version) {
            $deadline = $version->byDeadline() === null ? null : $plan->deadline($version->byDeadline()->deadline);
            $times[] = $version->writtenTiming()
                + ($deadline === null || $deadline->isPersonal() ? [] : ['everyone' => $deadline->latest?->toArray()]);
        }

        return $times;
    }

    /**
     * What of a sequence can change for somebody at all.
     *
     * @return array{list<EmailPlan>, list<string>} its new emails and those at another time; their ids, and those of emails that are gone
     */
    private function changed(Plan $live, Plan $draft, SequencePlan $sequence): array
    {
        $was = $live->sequence($sequence->id);
        $sameTimes = $was?->window->toArray() === $sequence->window->toArray() && $was->byReader === $sequence->byReader;
        $before = [];
        foreach ($live->emailsOf($sequence->id) as $email) {
            $before[$email->id] = self::when($live, $email);
        }
        $now = $draft->emailsOf($sequence->id);
        $emails = array_values(array_filter($now,
            fn (EmailPlan $e): bool => ! $sameTimes || ($before[$e->id] ?? null) !== self::when($draft, $e)));
        $ids = fn (array $some): array => array_map(fn (EmailPlan $e): string => $e->id, $some);

        return [$emails, array_values([...$ids($emails), ...array_diff(array_map(strval(...), array_keys($before)), $ids($now))])];
    }

    /**
     * The next people in a sequence, in the order in which they entered.
     *
     * @param  list<string>|null  $people  only these
     */
    private function inside(string $sequence, int $after, ?array $people = null): Builder
    {
        return DB::table('enrolments')->where('sequence_id', $sequence)->whereNull('ended_at')->where('enrolments.id', '>', $after)
            ->when($people !== null, fn (Builder $q) => $q->whereIn('enrolments.person_id', $people ?? []))
            ->orderBy('enrolments.id')->limit(self::AT_ONCE);
    }

    /**
     * A deadline stands otherwise for some people: the emails that are told from it move along, for as many as one short
     * transaction takes.
     *
     * @param  list<string>  $people  some hundred at most
     */
    public function followDeadline(Version $version, string $deadline, array $people, CarbonImmutable $now): void
    {
        $plan = $version->plan();
        foreach ($plan->sequences as $sequence) {
            $emails = array_values(array_filter($plan->emailsOf($sequence->id),
                fn (EmailPlan $e): bool => array_filter(self::inEveryVariant($plan, $sequence->id, [$e]),
                    fn (EmailPlan $v): bool => $v->byDeadline()?->deadline === $deadline) !== []));
            $about = array_map(fn (EmailPlan $e): string => $e->id, $emails);
            foreach ($emails === [] ? [] : array_chunk($people, self::AT_ONCE) as $some) {
                $this->carryOut($version, $sequence->id, $this->piece($plan, $sequence, $emails,
                    $version->funnel->business->zone(), 0, $now,
                    about: $about, people: $some), $now);
            }
        }
    }

    /**
     * @param  Plan  $plan  by which whoever got a variant of its timing has other moments
     * @param  list<EmailPlan>  $emails
     * @param  bool  $late  move what has become due while nothing went out, too
     * @param  list<string>|null  $about  ids of the emails whose messages are looked at; nothing for all of them
     * @param  list<string>|null  $people  only these
     * @param  Plan|null  $draft  whose moments for everyone are to hold instead of those that are public
     * @return list<array{stdClass, Replan}> the enrolment with the address and zone of its person, and what becomes of it
     */
    private function piece(
        Plan $plan,
        SequencePlan $sequence,
        array $emails,
        DateTimeZone $owner,
        int $after,
        CarbonImmutable $now,
        bool $late = false,
        ?array $about = null,
        ?array $people = null,
        ?Plan $draft = null,
    ): array {
        $rows = $this->inside($sequence->id, $after, $people)->join('people', 'people.id', '=', 'enrolments.person_id')
            ->get(['enrolments.id', 'enrolments.person_id', 'enrolments.funnel_id', 'run', 'started_at', 'paused_seconds', 'variant',
                'people.timezone', 'people.email', 'people.business_id']);
        $messages = [];
        $utc = new DateTimeZone('UTC');
        foreach (DB::table('messages')->where('sequence_id', $sequence->id)->whereIn('person_id', $rows->pluck('person_id'))
            ->whereNotNull('email_id')
            ->when($about !== null, fn (Builder $q) => $q->whereIn('email_id', $about ?? []))
            ->where(fn (Builder $q) => $q->where('state', '!=', MessageState::Cancelled)->orWhereNull('trouble')
                ->orWhereNotIn('trouble', [SequenceCheck::REMOVED, self::OUTRUN]))
            ->orderBy('created_at')->get(['person_id', 'email_id', 'state', 'due_at']) as $m) {
            $messages[$m->person_id][$m->email_id] = ['state' => MessageState::from((string) $m->state),
                'due' => $m->state === MessageState::Waiting->value
                    ? new DateTimeImmutable($late ? '2999-01-01' : (string) $m->due_at, $utc) : $now];
        }
        $timings = $as = $piece = [];
        $ids = array_values($rows->map(fn (stdClass $r): string => (string) $r->person_id)->all());
        $every = self::inEveryVariant($plan, $sequence->id, $emails);
        $runs = self::runs($every, $ids, $now);
        $everyone = self::forEveryone($draft, $now);
        $registrations = self::registrations($every, $ids);
        foreach ($rows as $row) {
            $timing = $timings[(string) $row->timezone] ??= new Timing($sequence,
                $row->timezone === null ? $owner : new DateTimeZone((string) $row->timezone), $owner);
            $theirs = $as[(string) $row->variant] ??= self::asIn($plan->as($sequence->id, (string) $row->variant), $emails);
            $piece[] = [$row, Replan::of($timing, $theirs, $messages[$row->person_id] ?? [],
                new DateTimeImmutable((string) $row->started_at, $utc), $now, (int) $row->paused_seconds,
                self::held($runs[(string) $row->person_id] ?? [], $everyone, $now), $registrations[(string) $row->person_id] ?? [])];
        }

        return $piece;
    }

    /**
     * @param  list<EmailPlan>  $emails
     * @return list<EmailPlan> the same at the moments they have in a plan
     */
    private static function asIn(Plan $plan, array $emails): array
    {
        return array_map(fn (EmailPlan $e): EmailPlan => $plan->email($e->id) ?? $e, $emails);
    }

    /**
     * @param  list<EmailPlan>  $emails  of one sequence
     * @return list<EmailPlan> the same in each variant of its timing, where that is in a split test
     */
    private static function inEveryVariant(Plan $plan, string $sequence, array $emails): array
    {
        $test = $plan->testOf($sequence);

        return $test === null ? $emails : array_merge(...array_map(
            fn (int|string $letter): array => self::asIn($plan->as($sequence, (string) $letter), $emails),
            array_keys($plan->weightsOf($test))));
    }

    /**
     * How the deadlines that some emails are told from stand for some people.
     *
     * @param  list<EmailPlan>  $emails
     * @param  list<string>  $people
     * @return array<string, array<string, Run>> by person and deadline
     */
    private static function runs(array $emails, array $people, CarbonImmutable $now): array
    {
        $deadlines = array_values(array_unique(array_filter(array_map(fn (EmailPlan $e): ?string => $e->byDeadline()?->deadline,
            $emails))));

        return $deadlines === [] ? [] : Runs::ofPeople($people, $deadlines, $now);
    }

    /**
     * With those that are everybody's by the draft. What somebody was promised while a deadline was personal holds while it runs.
     *
     * @param  array<string, Run>  $theirs  by deadline
     * @param  array<string, Run>  $everyone  likewise
     * @return array<string, Run>
     */
    private static function held(array $theirs, array $everyone, CarbonImmutable $now): array
    {
        foreach ($everyone as $id => $run) {
            $own = $theirs[$id] ?? null;
            $theirs[$id] = $own !== null && ! $own->forAll && $own->state($now)->isRunning() ? $own : $run;
        }

        return $theirs;
    }

    /**
     * The sessions that some emails are told from, of some people.
     *
     * @param  list<EmailPlan>  $emails
     * @param  list<string>  $people
     * @return array<string, array<string, RegisteredSession>> by person and webinar
     */
    private static function registrations(array $emails, array $people): array
    {
        $webinars = array_values(array_unique(array_filter(array_map(fn (EmailPlan $e): ?string => $e->bySession()?->webinar, $emails))));

        return $webinars === [] ? [] : RegisteredSessions::ofPeople($people, $webinars);
    }

    /** @return array<string, Run> by deadline: how those of a draft that are for everyone would run */
    private static function forEveryone(?Plan $draft, CarbonImmutable $now): array
    {
        $runs = [];
        foreach ($draft->deadlines ?? [] as $deadline) {
            $runs[$deadline->id] = $deadline->forEveryone($now);
        }

        return array_filter($runs);
    }

    /** @param  list<array{stdClass, Replan}>  $piece */
    private function carryOut(Version $version, string $sequence, array $piece, CarbonImmutable $now): void
    {
        $plan = $version->plan();
        $stamp = Instant::sql($now);
        $moved = $cancelled = $again = $rows = [];
        foreach ($piece as [$enrolment, $replan]) {
            $person = (string) $enrolment->person_id;
            foreach ($replan->move as $email => $due) {
                $moved[$email][Instant::sql($due)][] = $person;
            }
            foreach ($replan->cancel as $email) {
                $cancelled[in_array($email, $replan->outrun, true) ? self::OUTRUN : SequenceCheck::REMOVED][$email][] = $person;
            }
            foreach ($replan->plan as $email => $due) {
                $turn = EmailTurns::of($plan->email((string) $email), $person, (int) $enrolment->run);
                $key = $turn->key((string) $email, $person);
                $again[Instant::sql($due)][] = $key;
                $rows[] = ['id' => Ids::next(), 'unique_key' => $key, 'business_id' => $enrolment->business_id, 'person_id' => $person,
                    'funnel_id' => $enrolment->funnel_id, 'version_id' => $version->id,
                    'email_id' => $email, 'sequence_id' => $sequence, 'kind' => MessageKind::Sequence->value,
                    'name' => $plan->email((string) $email)->name ?? 'Email', 'to_address' => $enrolment->email,
                    'state' => MessageState::Waiting, 'due_at' => Instant::sql($due), 'created_at' => $stamp, 'updated_at' => $stamp]
                    + EmailTurns::columns($turn);
            }
        }
        $waiting = fn (string $email, array $people): Builder => DB::table('messages')->where('sequence_id', $sequence)
            ->where('email_id', $email)->where('state', MessageState::Waiting)
            ->whereIn('person_id', $people);
        foreach ($moved as $email => $moments) {
            foreach ($moments as $due => $people) {
                $waiting((string) $email, $people)->update(['due_at' => $due, 'queued_at' => null, 'updated_at' => $stamp]);
            }
        }
        foreach ($cancelled as $why => $emails) {
            foreach ($emails as $email => $people) {
                $waiting((string) $email, $people)->update(['state' => MessageState::Cancelled, 'trouble' => $why, 'updated_at' => $stamp]);
            }
        }
        // One that was removed and put back is the same message again.
        foreach ($again as $due => $keys) {
            DB::table('messages')->whereIn('unique_key', $keys)->where('state', MessageState::Cancelled)
                ->whereIn('trouble', [SequenceCheck::REMOVED, self::OUTRUN])
                ->update(['state' => MessageState::Waiting, 'due_at' => $due, 'queued_at' => null, 'trouble' => null,
                    'updated_at' => $stamp]);
        }
        foreach (array_chunk($rows, 300) as $some) {
            DB::table('messages')->insertOrIgnore($some);
        }
    }
}
