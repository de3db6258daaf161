<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

/** Makes a plan anew: the same words and connections, with ids, name and address of its own. */
final class PlanCopy
{
    /** @param  callable(): string  $newId */
    public static function of(Plan $plan, string $name, string $address, callable $newId): Plan
    {
        $ids = [];
        foreach ([$plan->pages, $plan->forms, $plan->emails, $plan->leadMagnets] as $things) {
            foreach ($things as $thing) {
                $ids[$thing->id] = $newId();
            }
        }
        $array = $plan->toArray();
        array_walk_recursive($array, function (mixed &$value) use ($ids): void {
            $value = is_string($value) ? $ids[$value] ?? $value : $value;
        });

        return Plan::fromArray(['id' => $newId(), 'name' => $name, 'address' => $address] + $array);
    }
}
