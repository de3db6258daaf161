<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Records\RuleNames;
use App\Support\Ids;
use App\Support\PlainRule;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Shape;

/** Rules of a funnel: when this happens, do that. */
final class RuleKind extends DraftKind
{
    public function part(): string
    {
        return AutomationRule::class;
    }

    public function list(): string
    {
        return 'rules';
    }

    public function typed(): array
    {
        return ['name', 'when', 'after', 'only', 'acts', 'eachTime'];
    }

    public function changed(DraftPart $row, array $typed): Part
    {
        // No time to wait is at once.
        if (array_key_exists('after', $typed) && in_array($typed['after'], [null, []], true)) {
            unset($typed['after']);
            $row->definition = array_diff_key($row->definition, ['after' => 0]);
        }

        return parent::changed($row, $typed);
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof AutomationRule ? PlainRule::of($part) : $part;
    }

    protected function check(DraftPart $row, Part $part): void
    {
        // What it asks of the person may be about anything of the business; the rest is of its funnel.
        self::speaksOfItsFunnel($row, $part, 'rule',
            'Something that this rule speaks of is not in this funnel any more. Please choose again.',
            $part instanceof AutomationRule ? $part->only->references() : []);
        $was = $row->part();
        if ($part instanceof AutomationRule) {
            PlainRule::check($part, $was instanceof AutomationRule ? $was : null);
        }
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $rule = AutomationRule::fromShape(Shape::of(array_intersect_key($typed, array_flip($this->typed())) + ['id' => Ids::next(),
            'name' => $this->nextName($funnel, 'Rule'), 'when' => (new Triggers)->toArray()]));
        PlainRule::check($rule, null);

        return PlainRule::of($rule);
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof AutomationRule ? [] : RuleNames::json($part, $row->funnel->business_id,
            DB::table('rule_pauses')->where('rule_id', $row->id)->exists());
    }
}
