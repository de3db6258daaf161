<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

/** Segments that most owners want: to choose and change, instead of beginning with an empty rule. */
final class Examples
{
    /**
     * @param  string|null  $webinar  the id of one, where there is any
     * @param  string|null  $deadline  likewise
     * @param  string|null  $tag  the name of one
     * @return list<array{name: string, rules: array<string, mixed>}> as a segment is written
     */
    public static function of(?string $webinar = null, ?string $deadline = null, ?string $tag = null): array
    {
        $all = fn (array ...$rules): array => ['all' => true, 'rules' => array_values($rules)];
        $did = fn (string $deed, bool $not = false, int $days = 0): array => ['kind' => 'deed', 'deed' => $deed, 'not' => $not]
            + ($days === 0 ? [] : ['days' => $days]);
        $date = fn (string $date, string $compare, int $days): array => ['kind' => 'date', 'date' => $date, 'compare' => $compare,
            'days' => $days];
        $was = fn (string $state, bool $not = false): array => ['kind' => 'webinar', 'state' => $state, 'not' => $not,
            'webinar' => $webinar];
        $examples = [
            'New this month' => $all($date('joined', 'within', 30)),
            'Buyers' => $all($did('bought')),
            'Interested, not yet buyers' => $all($did('clicked', days: 30), $did('bought', true)),
            'Downloaded, never bought' => $all($did('downloaded'), $did('bought', true)),
            'Quiet for three months' => $all($date('joined', 'longer', 90), $date('active', 'longer', 90)),
            'Not confirmed yet' => $all(['kind' => 'subscription', 'not' => false, 'subscription' => 'unconfirmed']),
        ];
        if ($webinar !== null) {
            $examples += [
                'Came to the webinar, did not buy' => $all($was('attended'), $did('bought', true)),
                'Missed the webinar' => $all($was('missed')),
            ];
        }
        if ($deadline !== null) {
            $examples['Deadline still running, did not buy'] = $all(['kind' => 'deadline', 'state' => 'running', 'deadline' => $deadline],
                $did('bought', true));
        }
        if ($tag !== null) {
            $examples["Tagged “{$tag}”"] = $all(['kind' => 'tag', 'not' => false, 'tag' => $tag]);
        }

        return array_map(fn (string $name): array => ['name' => $name, 'rules' => $examples[$name]], array_keys($examples));
    }
}
