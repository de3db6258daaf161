<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Parts\Part;

/** Makes a plan anew: the same words and connections, with ids, name and address of its own. */
final class PlanCopy
{
    /**
     * @param  callable(): string  $newId
     * @param  array<string, string>  $uploads  new ids of pictures, videos and files by old ones, where they are copied too
     */
    public static function of(Plan $plan, string $name, string $address, callable $newId, array $uploads = []): Plan
    {
        // What parts say of the funnel itself, they say of the copy.
        $ids = $uploads + [$plan->id => $newId()];
        foreach ($plan->parts as $part) {
            $ids[$part->id()] = $newId();
        }

        return $plan->with(
            parts: array_map(fn (Part $p): Part => $p->withIds($ids), $plan->parts),
            ways: array_map(fn (Way $w): Way => $w->withIds($ids), $plan->ways),
            id: $ids[$plan->id], name: $name, address: $address,
            logo: $plan->logo === null ? null : $ids[$plan->logo] ?? $plan->logo,
            icon: $plan->icon === null ? null : $ids[$plan->icon] ?? $plan->icon,
        );
    }
}
