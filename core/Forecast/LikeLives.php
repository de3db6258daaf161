<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

/** Lives put together: those who decided alike are as likely as each other in every world, and most of them come to nothing. */
final readonly class LikeLives
{
    /** @var list<array<string, array{int, int}>> what was decided, by group */
    public array $decided;

    /**
     * @var list<array{int, int, array<int, int>, list<array{int, list<array{string, string, int}>}>}> by the way of coming and the day: how
     *     many of each group there are, and of those who come to something the group and what falls on each day and week and on all
     */
    public array $days;

    /** @param  list<PlayedLife>  $lives */
    public function __construct(array $lives, int $weeks)
    {
        $groups = $decided = [];
        /** @var array<string, array{int, int, array<int, int>, list<array{int, list<array{string, string, int}>}>}> $days */
        $days = [];
        foreach ($lives as $life) {
            ksort($life->decided);
            $signature = serialize($life->decided);
            if (! isset($groups[$signature])) {
                $groups[$signature] = count($decided);
                $decided[] = $life->decided;
            }
            $group = $groups[$signature];
            $days["{$life->kind} {$life->day}"] ??= [$life->kind, $life->day, [], []];
            $of = $days["{$life->kind} {$life->day}"];
            $of[2][$group] = ($of[2][$group] ?? 0) + 1;
            if ($life->came !== []) {
                $of[3][] = [$group, self::own($life, $weeks)];
            }
            $days["{$life->kind} {$life->day}"] = $of;
        }
        $this->decided = $decided;
        $this->days = array_values($days);
    }

    /** @return list<array{string, string, int}> what of a life falls on each day and week and on all: what, on which, how much */
    private static function own(PlayedLife $life, int $weeks): array
    {
        $own = [];
        foreach ($life->came as [$day, $what, $much]) {
            foreach ($day < $weeks * 7 ? ["day{$day}", 'week'.intdiv($day, 7), 'all'] : [] as $key) {
                $own["{$what->value} {$key}"] = [$what->value, $key, ($own["{$what->value} {$key}"][2] ?? 0) + $much];
            }
        }

        return array_values($own);
    }
}
