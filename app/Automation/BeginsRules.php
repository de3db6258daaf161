<?php

declare(strict_types=1);

namespace App\Automation;

use App\Journey\ActingRule;
use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Models\RuleRunState;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\Limits;
use Lantern\Core\Journey\Effects\BeginRule;
use Lantern\Core\Journey\Effects\Effect;

/**
 * Writes down that a rule is to act for somebody, in the transaction of what happened: either both are stored or neither. It acts a moment
 * later, or when its time has come ({@see RuleWork}).
 */
final readonly class BeginsRules implements CarriesOut
{
    public function __construct(private ActingRule $acting, private RuleNotices $notices)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if (! $effect instanceof BeginRule) {
            return;
        }
        [$paused, $thisHour] = self::standing($effect->rule, $context->person->id, $context->at);
        if ($paused) {
            return;
        }
        $cause = $this->acting->run();
        $depth = Limits::depth($cause?->depth, $cause === null ? 0
            : (int) $cause->due_at->diffInMinutes($cause->happened_at, true));
        $stop = Limits::stop($depth, $thisHour);
        $row = ['business_id' => $context->person->business_id, 'rule_id' => $effect->rule,
            'funnel_id' => $effect->funnel === '' ? null : $effect->funnel, 'person_id' => $context->person->id,
            'occurrence' => $effect->eachTime || $stop !== null ? Ids::next() : self::once($effect->rule),
            'state' => ($stop === null ? RuleRunState::Waiting : RuleRunState::Stopped)->value, 'why' => mb_substr($effect->why, 0, 300),
            'cause_id' => $cause?->id, 'depth' => $depth, 'happened_at' => Instant::sql($context->at),
            'due_at' => Instant::sql($effect->due), 'trouble' => $stop];
        if (DB::table('rule_runs')->insertOrIgnore($row) === 0) {
            return;
        }
        if ($stop !== null) {
            $this->notices->tell($context->person, $effect->rule, $stop);
        } elseif ($effect->atOnce && $cause === null) {
            ActRules::dispatch();
        }
    }

    /** By which a second run of a rule that acts once is refused. */
    public static function once(string $rule): string
    {
        return "once:{$rule}";
    }

    /**
     * Does the rule stand still, and how often has it acted for somebody within the hour? What stands in the future counts, too: a clock
     * that was set back hides nothing.
     *
     * @return array{bool, int}
     */
    private static function standing(string $rule, string $person, DateTimeImmutable $at): array
    {
        $row = DB::selectOne('select exists (select 1 from rule_pauses where rule_id = ?) as paused, (select count(*) from rule_runs '
            .'where person_id = ? and rule_id = ? and state != ? and happened_at > ?) as many', [$rule, $person, $rule,
                RuleRunState::Stopped->value, Instant::sql(CarbonImmutable::instance($at)->subHour())]);

        return [(bool) $row->paused, (int) $row->many];
    }
}
