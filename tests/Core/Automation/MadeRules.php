<?php

declare(strict_types=1);

namespace Tests\Core\Automation;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;
use Tests\Core\Plan\Plans;

/** Rules as tests of the core need them. */
final class MadeRules
{
    /** @param  array<string, mixed>  $with */
    public static function of(array $with): AutomationRule
    {
        return AutomationRule::fromShape(Shape::of($with + ['id' => 'r', 'name' => 'R', 'when' => [['kind' => 'tag', 'tag' => 'A']],
            'acts' => [['kind' => 'tag', 'tag' => 'B']]]));
    }

    /**
     * A chain of tags that acts each time: by its first tag the next is given, and the first is taken away.
     *
     * @return list<AutomationRule>
     */
    public static function ring(string ...$tags): array
    {
        $tags = array_values($tags);

        return array_map(fn (int $i): AutomationRule => self::of(['id' => "r{$tags[$i]}", 'name' => "On {$tags[$i]}", 'eachTime' => true,
            'when' => [['kind' => 'tag', 'tag' => $tags[$i]]], 'acts' => [['kind' => 'untag', 'tag' => $tags[$i]],
                ['kind' => 'tag', 'tag' => $tags[($i + 1) % count($tags)]]]]), array_keys($tags));
    }

    /** @param  array<string, mixed>  ...$parts  beside those of the selling starter */
    public static function plan(array ...$parts): Plan
    {
        $plan = Plans::of(Goal::Sell);

        return $plan->with([...$plan->parts, ...array_map(fn (array $p) => PartKinds::read(Shape::of($p)), array_values($parts))]);
    }
}
