<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\BusinessRule;
use App\Models\DraftPart;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\Act\Act;
use Lantern\Core\Automation\AutomationRule;

/** What rules are called, and what they speak of. */
final class RuleNames
{
    /** A rule of a funnel or of the whole business, also one that was removed. */
    public static function of(string $rule): string
    {
        $found = BusinessRule::query()->find($rule)?->definition['name'] ?? DraftPart::query()->whereKey($rule)->value('name');

        return is_string($found) ? $found : 'A rule';
    }

    /**
     * As the Studio reads it.
     *
     * @return array<string, mixed>
     */
    public static function json(AutomationRule $rule, int $business, bool $paused): array
    {
        return ['when' => $rule->when->toArray(), 'after' => $rule->after?->toArray(), 'only' => $rule->only->toArray(),
            'acts' => array_map(fn (Act $a): array => $a->toArray(), $rule->acts), 'eachTime' => $rule->eachTime,
            'words' => $rule->words(self::called($rule, $business)), 'paused' => $paused, 'whole' => $rule->isWhole()];
    }

    /** @return callable(string): string what the things are called that a rule speaks of: parts of funnels, broadcasts, own fields */
    public static function called(AutomationRule $rule, int $business): callable
    {
        $ids = $rule->references();
        $names = DB::table('own_fields')->where('business_id', $business)->pluck('label', 'name')->all();
        foreach ($ids === [] ? [] : ['draft_parts', 'funnels', 'broadcasts'] as $table) {
            $names += DB::table($table)->whereIn('id', $ids)->pluck('name', 'id')->all();
        }

        return fn (string $id): string => is_string($names[$id] ?? null) ? $names[$id] : '';
    }
}
