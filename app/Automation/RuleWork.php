<?php

declare(strict_types=1);

namespace App\Automation;

use App\Journey\ActingRule;
use App\Journey\BusinessRules;
use App\Journey\EffectContext;
use App\Journey\EffectRunner;
use App\Models\BusinessRule;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\RuleRun;
use App\Models\RuleRunState;
use App\People\Fields\OwnFields;
use App\Records\PersonLookup;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Journey\Acting;
use Lantern\Core\Plan\Plan;
use Throwable;

/**
 * Has rules act whose moment has come. Whoever takes a run from “waiting” has it act, and both are stored together: a process that dies in
 * between leaves it as it was. What fails is tried again later, by itself, and holds nobody else up.
 */
final readonly class RuleWork implements DueWork
{
    /** Runs in one transaction, so that visitors wait for a moment at most however many are due. */
    private const AT_ONCE = 20;

    /** In one go of it, so that other work has its turn. */
    private const MOST = 2000;

    /** Minutes to wait after the first, second … try that failed. */
    public const BACK_OFF = [1, 5, 30, 120, 600, 1440];

    public function __construct(private EffectRunner $effects, private ActingRule $acting, private BusinessRules $business,
        private RuleNotices $notices)
    {
    }

    public function task(): Task
    {
        return Task::Rules;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::carbon($this->waiting()->min('due_at'));
    }

    /** @return int for how many of its moments a rule acted, or found that it had not to */
    public function work(CarbonImmutable $now): int
    {
        $all = 0;
        do {
            // What follows from a rule is due at once, too.
            $some = $this->some($now);
            $all += $some;
        } while ($some > 0 && $all < self::MOST);

        return $all;
    }

    /** @return Builder<RuleRun> */
    private function waiting(): Builder
    {
        $waiting = RuleRun::query()->where('state', RuleRunState::Waiting);
        $waiting->whereNotIn('rule_id', DB::table('rule_pauses')->select('rule_id'));

        return $waiting;
    }

    private function some(CarbonImmutable $now): int
    {
        $due = fn (): Builder => $this->waiting()->where('due_at', '<=', Instant::sql($now))->orderBy('due_at')->orderBy('id')
            ->limit(self::AT_ONCE);
        // Often there is nothing, which takes no lock to see.
        if ($due()->doesntExist()) {
            return 0;
        }

        return DB::transaction(function () use ($due, $now): int {
            $runs = $due()->get();
            foreach ($runs as $run) {
                try {
                    DB::transaction(fn () => $this->act($run, $now));
                } catch (Throwable $e) {
                    report($e);
                    $this->failed($run, $now);
                }
            }

            return count($runs);
        });
    }

    private function act(RuleRun $run, CarbonImmutable $now): void
    {
        $person = Person::query()->with('business')->whereNull('erased_at')->find($run->person_id);
        $funnel = $run->funnel_id === null ? null : self::live($run->funnel_id);
        $rule = $run->funnel_id === null ? $this->ofBusiness($run) : $funnel?->liveVersion?->plan()->part($run->rule_id);
        if ($person === null || ! $rule instanceof AutomationRule) {
            $this->end($run, RuleRunState::Gone, $now, null, $person === null ? 'The person is not there any more.'
                : ($funnel === null && $run->funnel_id !== null ? 'Its funnel is not public any more.'
                    : 'The rule is not there any more.'));

            return;
        }
        $acted = Acting::of($rule, $funnel?->liveVersion?->plan(), fn (string $part): ?Plan => self::planOf($part, $person->business_id),
            $this->business->of($person->business_id), PersonLookup::whole($person, $now), $now, $this->fields($person->business_id));
        if (! $acted->held) {
            $this->end($run, RuleRunState::Passed, $now, null, 'What the rule asks of the person did not hold.');

            return;
        }
        $this->acting->during($run, function () use ($acted, $person, $now, $funnel): void {
            foreach ($acted->steps as $step) {
                $in = $step['plan'] === null || $step['plan']->id === $funnel?->id ? $funnel : self::live($step['plan']->id);
                $this->effects->run($step['effects'], new EffectContext($person, $now, $in, $in?->liveVersion));
            }
        });
        $troubles = array_values(array_filter(array_column($acted->steps, 'trouble'), fn (string $t): bool => $t !== ''));
        $this->end($run, RuleRunState::Done, $now, array_map(fn (array $s): array => ['words' => $s['words'],
            'trouble' => $s['trouble']], $acted->steps), $troubles[0] ?? null);
        if ($troubles !== []) {
            $this->notices->tellOf($run, $person, $troubles[0]);
        }
    }

    /** @param  list<array{words: string, trouble: string}>|null  $did */
    private function end(RuleRun $run, RuleRunState $state, CarbonImmutable $now, ?array $did, ?string $trouble): void
    {
        // One that was not done need not be the only one: it may happen again that sets it off.
        $occurrence = $state === RuleRunState::Done ? $run->occurrence : "run:{$run->id}";
        $run->forceFill(['state' => $state, 'acted_at' => Instant::sql($now), 'did' => $did, 'trouble' => $trouble,
            'occurrence' => $occurrence])->save();
    }

    private function failed(RuleRun $run, CarbonImmutable $now): void
    {
        $run->refresh();
        $wait = self::BACK_OFF[$run->tries] ?? null;
        $run->forceFill(['tries' => $run->tries + 1, 'trouble' => 'It could not be carried out, and is tried again.']
            + ($wait === null ? ['state' => RuleRunState::Failed, 'acted_at' => Instant::sql($now),
                'trouble' => 'It could not be carried out, however often it was tried.'] : ['due_at' => Instant::sql($now
                    ->addMinutes($wait))]))->save();
        $person = $wait === null ? Person::query()->with('business')->find($run->person_id) : null;
        if ($person !== null) {
            $this->notices->tellOf($run, $person, (string) $run->trouble);
        }
    }

    private function ofBusiness(RuleRun $run): ?AutomationRule
    {
        return BusinessRule::query()->whereNull('removed_at')->find($run->rule_id)?->rule();
    }

    private static function live(string $funnel): ?Funnel
    {
        return Funnel::query()->with(['liveVersion', 'business'])->whereNull('archived_at')->whereNotNull('live_version_id')->find($funnel);
    }

    private static function planOf(string $part, int $business): ?Plan
    {
        $funnel = DraftPart::query()->whereKey($part)->value('funnel_id');
        $live = is_string($funnel) ? self::live($funnel) : null;
        $plan = $live?->business_id === $business ? $live->liveVersion?->plan() : null;

        return $plan?->part($part) === null ? null : $plan;
    }

    /** @return callable(string): string what own fields are called */
    private function fields(int $business): callable
    {
        return fn (string $name): string => array_column(OwnFields::of($business), 'label', 'name')[$name] ?? $name;
    }
}
