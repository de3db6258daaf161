<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\BusinessRule;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;

/** The rules of a whole business that are at work, in order: read once for all that happens in one request. */
final class BusinessRules
{
    /** @var array<int, list<AutomationRule>> by business */
    private array $known = [];

    /** @return list<AutomationRule> */
    public function of(int $business): array
    {
        return $this->known[$business] ??= self::read($business);
    }

    /** @return list<AutomationRule> */
    private static function read(int $business): array
    {
        $rules = BusinessRule::query()->where('business_id', $business)->whereNull('removed_at')->orderBy('position')->orderBy('id');
        $rules->whereNotIn('id', DB::table('rule_pauses')->select('rule_id'));

        return array_values($rules->get()->map(fn (BusinessRule $r): AutomationRule => $r->rule())->all());
    }

    /** After one was changed. */
    public function forget(): void
    {
        $this->known = [];
    }
}
