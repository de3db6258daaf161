<?php

declare(strict_types=1);

namespace App\Automation;

use App\Journey\BusinessRules;
use App\Models\Business;
use App\Models\BusinessRule;
use App\People\Fields\OwnFields;
use App\Records\LivePlans;
use App\Support\Ids;
use App\Support\Instant;
use App\Support\PlainRule;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Checks\RuleCheck;
use Lantern\Core\Checks\RuleLoop;
use Lantern\Core\Checks\RuleLoops;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The rules of a whole business, as their owner writes them. They are at work from the moment they are saved. */
final readonly class OwnerRules
{
    private const TYPED = ['name', 'when', 'after', 'only', 'acts', 'eachTime'];

    public function __construct(private BusinessRules $known)
    {
    }

    /**
     * @param  array<array-key, mixed>  $typed  what is wrong with it is an {@see Invalid}
     */
    public function add(Business $business, array $typed): BusinessRule
    {
        return DB::transaction(function () use ($business, $typed): BusinessRule {
            $rules = BusinessRule::query()->where('business_id', $business->id)->whereNull('removed_at');
            if ($rules->count() >= AutomationRule::most()) {
                throw Invalid::at('rule', 'You have '.AutomationRule::most().' rules, which is as many as there can be.');
            }
            $row = new BusinessRule(['business_id' => $business->id, 'position' => 1 + (int) $rules->max('position'),
                'definition' => ['name' => 'Rule', 'when' => []]]);
            $row->id = Ids::next();

            return $this->store($row, $typed, 1);
        });
    }

    /**
     * @param  array<array-key, mixed>  $typed  what was not typed stays; what is wrong with it is an {@see Invalid}
     */
    public function change(BusinessRule $row, array $typed): BusinessRule
    {
        return DB::transaction(fn (): BusinessRule => $this->store($row, $typed, $row->revision + 1));
    }

    /** It acts no more; what it has waiting for people comes to nothing. */
    public function remove(BusinessRule $row): void
    {
        $row->forceFill(['removed_at' => CarbonImmutable::now()])->save();
        DB::table('rule_triggers')->where('rule_id', $row->id)->delete();
        $this->known->forget();
    }

    /** Where it would close a circle by now it is not brought back: {@see Invalid}. */
    public function restore(BusinessRule $row): BusinessRule
    {
        return DB::transaction(function () use ($row): BusinessRule {
            $row->forceFill(['removed_at' => null]);

            return $this->store($row, [], $row->revision);
        });
    }

    /** @param  list<string>  $ids  all of them, in their new order */
    public function order(Business $business, array $ids): void
    {
        DB::transaction(function () use ($business, $ids): void {
            foreach ($ids as $position => $id) {
                BusinessRule::query()->where('business_id', $business->id)->whereKey($id)->update(['position' => $position + 1]);
            }
        });
        $this->known->forget();
    }

    /** How it could go round, in a sentence; '' where it cannot. */
    public function circle(AutomationRule $rule, int $business): string
    {
        $loop = $this->loop($rule, $business);

        return $loop === null ? '' : ucfirst($loop->words()).'.';
    }

    /**
     * @param  array<array-key, mixed>  $typed
     *
     * @throws Invalid
     */
    private function store(BusinessRule $row, array $typed, int $revision): BusinessRule
    {
        $before = $row->rule();
        $typed = array_intersect_key($typed, array_flip(self::TYPED));
        $rule = PlainRule::of(AutomationRule::fromShape(Shape::of(['id' => $row->id]
            + array_filter($typed + $before->toArray(), fn (mixed $v, string|int $k): bool => $k !== 'after' || ! in_array($v, [null, []],
                true), ARRAY_FILTER_USE_BOTH))));
        $this->check($rule, $before, $row->business_id);
        $row->forceFill(['definition' => array_diff_key($rule->toArray(), ['id' => 0]), 'revision' => $revision])->save();
        self::remember($rule);
        $this->known->forget();

        return $row;
    }

    /** @throws Invalid */
    private function check(AutomationRule $rule, AutomationRule $before, int $business): void
    {
        $parts = array_diff([...$rule->when->references(), ...$rule->targets()], $before->references());
        if ($parts !== [] && DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')
            ->where('business_id', $business)->whereNull('removed')->whereIn('draft_parts.id',
                $parts)->count() < count(array_unique($parts))) {
            throw Invalid::at('rule', 'Something that this rule speaks of is not there any more. Please choose again.');
        }
        $fields = array_diff(RuleCheck::fieldsOf($rule), array_column(OwnFields::of($business), 'name'), RuleCheck::fieldsOf($before));
        if ($fields !== []) {
            throw Invalid::at('rule', 'There is no field “'.implode('”, “', $fields).'” of people.');
        }
        PlainRule::check($rule, $before);
        $loop = $this->loop($rule, $business);
        if ($loop !== null && $loop->isCertain()) {
            throw Invalid::at('rule', "Rules would go round for ever: {$loop->words()}. Let one of them act once for each person.");
        }
    }

    private function loop(AutomationRule $rule, int $business): ?RuleLoop
    {
        $others = array_filter($this->known->of($business), fn (AutomationRule $r): bool => $r->id !== $rule->id);
        foreach (RuleLoops::of(LivePlans::of($business), [...array_values($others), $rule]) as $loop) {
            if ($loop->has($rule->id)) {
                return $loop;
            }
        }

        return null;
    }

    /** What it waits for, so that what happens finds it without reading it. */
    private static function remember(AutomationRule $rule): void
    {
        $keys = $rule->isWhole() ? $rule->when->keys() : [];
        DB::table('rule_triggers')->where('rule_id', $rule->id)->whereNotIn('trigger_key', $keys)->delete();
        DB::table('rule_triggers')->insertOrIgnore(array_map(fn (string $key): array => ['rule_id' => $rule->id, 'trigger_key' => $key,
            'since' => Instant::sql(CarbonImmutable::now())], $keys));
    }
}
