<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Person;
use App\Support\Instant;
use App\Warmth\Scores;
use Carbon\CarbonImmutable;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\BeforeBuying;
use Lantern\Core\Warmth\Forerunner;
use Lantern\Core\Warmth\Score;
use Lantern\Core\Warmth\Weights;

/** How warm somebody is, and why, in words. */
final class WarmthJson
{
    /** Of so many things it is made of the reason in one line speaks. */
    private const REASONS = 3;

    /** @return array<string, mixed> */
    public static function ofPerson(Person $person, CarbonImmutable $now): array
    {
        $score = Scores::ofPerson($person, Scores::weights($person->business), $now);

        return ['score' => $score->value, 'band' => $score->band()->value, 'bandLabel' => $score->band()->label(),
            'sentence' => self::sentence($score, $person),
            'parts' => array_map(fn (array $p): array => ['action' => $p['action']->value, 'words' => $p['action']->did(),
                'times' => $p['times'], 'last' => $p['last'], 'points' => $p['points'], 'faded' => $p['faded']], $score->parts()),
            'raises' => array_map(fn (array $r): array => ['words' => $r['action']->did(), 'to' => $r['to']], $score->raises()),
            'aMonthAgo' => $score->aMonthAgo(), 'spokenAt' => Instant::json($person->spoken_at)];
    }

    private static function sentence(Score $score, Person $person): string
    {
        $then = $score->aMonthAgo();
        $was = match (true) {
            $score->value > $then => "A month ago it was {$then}.",
            $score->value < $then => "A month ago it was {$then}: it fades by half with every ".Scores::weights($person->business)->halfLife
                .' days.',
            default => 'It is as a month ago.',
        };

        return $person->unsubscribed_at !== null ? 'Cold: they have unsubscribed.'
            : ($person->suppressed !== null ? 'Cold: emails do not reach them.' : $was);
    }

    /** In one line: "clicked in an email on 4 days, looked at a sales page". */
    public static function reason(Score $score): string
    {
        $said = [];
        foreach (array_slice($score->parts(), 0, self::REASONS) as $part) {
            $said[] = $part['action']->did().($part['times'] > 1 ? " on {$part['times']} days" : '');
        }

        return $said === [] ? '' : ucfirst(implode(', ', $said)).'.';
    }

    /**
     * @param  array{buyers: int, found: list<Forerunner>}  $counted
     * @return array<string, mixed>
     */
    public static function suggestions(array $counted, Weights $weights): array
    {
        $says = array_values(array_filter($counted['found'], fn (Forerunner $f): bool => $f->says()));
        $share = fn (float $of): int => (int) round(100 * $of / max(1, $counted['buyers']));

        return ['buyers' => $counted['buyers'], 'least' => BeforeBuying::LEAST,
            'actions' => array_map(fn (Forerunner $f): array => ['id' => $f->action->value, 'label' => $f->action->label(),
                'did' => $share($f->did), 'others' => $share($f->expected), 'times' => round(min($f->times, 1000), $f->times < 10 ? 1 : 0),
                'sure' => floor(1000 * min($f->sure, 0.999)) / 10, 'points' => $f->points(), 'now' => $weights->worth($f->action)], $says),
            'nothing' => array_values(array_map(fn (Forerunner $f): string => $f->action->label(),
                array_filter($counted['found'], fn (Forerunner $f): bool => ! $f->says())))];
    }

    /** @return array<string, mixed> */
    public static function ofWeights(Weights $weights): array
    {
        return ['halfLife' => $weights->halfLife, 'mostDays' => Weights::MOST_DAYS, 'most' => Weights::MOST,
            'actions' => array_map(fn (Action $a): array => ['id' => $a->value, 'label' => $a->label(), 'points' => $weights->worth($a),
                'usual' => $a->usual()], Action::cases())];
    }
}
