<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/** Makes a plan anew: the same words and connections, with ids, name and address of its own. */
final class PlanCopy
{
    /**
     * @param  callable(): string  $newId
     * @param  array<string, string>  $uploads  new ids of pictures, videos and files by old ones, where they are copied too
     */
    public static function of(Plan $plan, string $name, string $address, callable $newId, array $uploads = []): Plan
    {
        $ids = $uploads;
        foreach ([$plan->pages, $plan->forms, $plan->emails, $plan->leadMagnets, $plan->sequences] as $things) {
            foreach ($things as $thing) {
                $ids[$thing->id] = $newId();
            }
        }
        foreach (array_keys($plan->shared) as $id) {
            $ids[$id] = $newId();
        }
        $array = $plan->toArray();
        $array['shared'] = array_combine(array_map(fn (string $id): string => $ids[$id] ?? $id, array_keys($plan->shared)), $plan->shared);
        array_walk_recursive($array, function (mixed &$value) use ($ids): void {
            $value = is_string($value) ? self::renamed($value, $ids) : $value;
        });

        return Plan::fromArray(['id' => $newId(), 'name' => $name, 'address' => $address] + $array);
    }

    /**
     * Ids stand alone, after `page:` and `section:` in links, and after `page_` in merge fields.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    private static function renamed(string $value, array $ids): string
    {
        return $ids[$value] ?? (string) preg_replace_callback('/\b(page[:_])([A-Za-z0-9-]{1,40})/',
            fn (array $m): string => $m[1].($ids[$m[2]] ?? $m[2]), $value);
    }
}
