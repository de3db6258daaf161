<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Person;
use App\Support\Instant;
use App\Warmth\Scores;
use Carbon\CarbonImmutable;
use Lantern\Core\Warmth\Action;
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

    /** @return array<string, mixed> */
    public static function ofWeights(Weights $weights): array
    {
        return ['halfLife' => $weights->halfLife, 'mostDays' => Weights::MOST_DAYS, 'most' => Weights::MOST,
            'actions' => array_map(fn (Action $a): array => ['id' => $a->value, 'label' => $a->label(), 'points' => $weights->worth($a),
                'usual' => $a->usual()], Action::cases())];
    }
}
