<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Funnel;
use App\Models\Person;
use App\Records\DeadlineOwner;
use App\Records\PersonLookup;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Deadlines\MovedEnd;
use Lantern\Core\Support\Invalid;

/** What an owner does to the deadline of one person, each with a trace. Their emails follow. */
final readonly class ByHand
{
    public function __construct(private Emails $emails)
    {
    }

    /** Begins it now, also for somebody for whom it is over. */
    public function start(Person $person, Funnel $funnel, Deadline $deadline, int $user): void
    {
        $now = CarbonImmutable::now();
        if (! $deadline->isPersonal()) {
            throw Invalid::at('deadline', 'This one is the same moment for everyone: it cannot be started for one person.');
        }
        $run = $deadline->begin($now, PersonLookup::zone($person))
            ?? throw Invalid::at('deadline', 'Its latest moment has passed, so it would be over as it begins.');
        $this->write($person, $funnel, $deadline, new Fact(FactType::Started, $now, $run->endsAt, 'You started it.', true), $user,
            fn (bool $running): ?string => $running ? 'It runs already. Change its end instead.' : null);
    }

    public function move(Person $person, Funnel $funnel, Deadline $deadline, CarbonImmutable $to, int $user): void
    {
        $now = CarbonImmutable::now();
        $refusal = MovedEnd::refusal($to, $now);
        if ($refusal !== null) {
            throw Invalid::at('until', $refusal);
        }
        $this->write($person, $funnel, $deadline, new Fact(FactType::Moved, $now, $to, 'You changed its end.'), $user);
    }

    public function end(Person $person, Funnel $funnel, Deadline $deadline, int $user): void
    {
        $this->write($person, $funnel, $deadline, new Fact(FactType::Ended, CarbonImmutable::now(), null, 'You ended it.'), $user,
            fn (bool $running): ?string => $running ? null : 'It is over already.');
    }

    /** As if it had never begun: it may begin once more. */
    public function remove(Person $person, Funnel $funnel, Deadline $deadline, int $user): void
    {
        $this->write($person, $funnel, $deadline, new Fact(FactType::Removed, CarbonImmutable::now(), null, 'You removed it.'), $user);
    }

    /** @param  callable(bool $running): (string|null)|null  $refuse  why not, in one sentence */
    private function write(Person $person, Funnel $funnel, Deadline $deadline, Fact $fact, int $user, ?callable $refuse = null): void
    {
        DB::transaction(function () use ($person, $funnel, $deadline, $fact, $user, $refuse): void {
            $run = Runs::of([DeadlineOwner::person($person->id)->key], $fact->at, [$deadline->id])[$deadline->id] ?? null;
            if ($run === null && $fact->type !== FactType::Started) {
                throw Invalid::at('deadline', 'It has not started for this person.');
            }
            $why = $refuse === null ? null : $refuse($run !== null && $run->state($fact->at)->isRunning());
            if ($why !== null) {
                throw Invalid::at('deadline', $why);
            }
            Runs::add(['id' => $deadline->id, 'name' => $deadline->name, 'funnel' => $funnel->id, 'business' => $funnel->business_id],
                DeadlineOwner::person($person->id), $fact, $user);
            $this->emails->follow($deadline->id, [$person->id]);
        });
    }
}
