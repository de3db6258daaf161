<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use Lantern\Core\Deadlines\Run;
use Lantern\Core\Rehearsal\Happening;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Mail;
use Lantern\Core\Rehearsal\Moments;
use Lantern\Core\Rehearsal\Option;
use Lantern\Core\Rehearsal\Rehearsal;

/** Where a rehearsal has come to, as the Studio reads it. Moments are in UTC. */
final class LifeJson
{
    /** @return array<string, mixed> */
    public static function of(Rehearsal $rehearsal, Life $life): array
    {
        $plan = $rehearsal->stage->plan;
        $runs = $life->runs($life->known);

        return [
            'now' => Moments::written($life->now), 'known' => $life->known, 'device' => $life->device + 1,
            'page' => $plan->page($life->page) === null ? null : ['id' => $life->page, 'name' => $plan->page($life->page)->name,
                'variant' => $life->letter],
            'chosen' => array_map(fn (array $c): array => ['at' => Moments::written($c['at']), 'words' => $c['words'],
                'do' => $c['kind']->value], $life->chosen),
            'happened' => array_map(fn (Happening $h): array => $h->toArray(), $life->happened),
            'mails' => array_map(fn (Mail $m): array => ['kind' => $m->kind, 'of' => $m->of, 'name' => $m->name,
                'at' => Moments::written($m->at)],
                $life->mails),
            'deadlines' => array_map(fn (string $id, Run $r): array => ['id' => $id, 'name' => $plan->nameOf($id),
                'starts' => Moments::written($r->startedAt), 'ends' => Moments::written($r->endsAt), 'left' => $r->left($life->now)],
                array_map(strval(...), array_keys($runs)), array_values($runs)),
            'tags' => $life->person->tags(), 'paid' => $life->paid, 'currency' => $plan->currency,
            'instalments' => array_map(fn (array $i): array => ['at' => Moments::written($i['at']), 'amount' => $i['amount']],
                array_slice($life->instalments, $life->instalmentsPaid)),
            'visitor' => (object) $life->visitor->toArray(), 'subscription' => $life->person->subscription->label(),
            'options' => array_map(fn (Option $o): array => $o->toArray(), $rehearsal->options($life)),
        ];
    }
}
