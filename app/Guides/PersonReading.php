<?php

declare(strict_types=1);

namespace App\Guides;

use App\Records\GuideFacts;
use App\Support\Instant;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Plan\Plan;

/** What one person read of one guide: page by page with the time on each, and what they ticked, wrote and clicked. */
final class PersonReading
{
    /** @return array<string, mixed> */
    public static function of(string $person, string $guide, GuideFacts $facts, Plan $plan): array
    {
        $row = DB::table('guide_progress')->where('person_id', $person)->where('guide_id', $guide)->first();
        $seen = DB::table('guide_pages_seen')->where('person_id', $person)->where('guide_id', $guide)->get()->keyBy('page_id');
        $said = Answers::of($person, $guide);
        $words = $ticks = [];
        foreach ($facts->asked as $key => $asked) {
            if (isset($facts->answers[$key])) {
                isset($said[$key]) ? $words[] = ['asked' => $asked, 'said' => $said[$key]] : null;
            } else {
                $ticks[] = ['thing' => $asked, 'done' => isset($said[$key])];
            }
        }

        return ['id' => $guide, 'title' => $plan->guide($guide)->title ?? '', 'begunAt' => Instant::jsonFromSql($row?->begun_at),
            'finishedAt' => Instant::jsonFromSql($row?->finished_at), 'lastAt' => Instant::jsonFromSql($row?->last_at),
            'seconds' => (int) $row?->seconds, 'stays' => (int) $row?->stays, 'share' => (int) $row?->share,
            'pages' => array_map(fn (string $id): array => ['id' => $id, 'name' => $facts->names[$id],
                'seconds' => (int) ($seen[$id]->seconds ?? 0), 'scrolled' => (int) ($seen[$id]->scrolled ?? 0),
                'stays' => (int) ($seen[$id]->stays ?? 0), 'read' => ($seen[$id]->read_at ?? null) !== null], $facts->ids()),
            'words' => $words, 'ticks' => array_filter($ticks, fn (array $t): bool => $t['done']) === [] ? [] : $ticks,
            'clicks' => self::clicks($person, $guide, $plan)];
    }

    /** @return list<array{words: string, at: string|null}> buttons and links that they followed, the last first */
    private static function clicks(string $person, string $guide, Plan $plan): array
    {
        $document = $plan->page($guide)?->document;
        $clicks = [];
        foreach (DB::table('events')->where('person_id', $person)->where('type', EventType::Pressed->value)->where('page_id', $guide)
            ->orderByDesc('id')->limit(20)->get(['part', 'at']) as $event) {
            $words = trim($document?->block((string) $event->part)?->words() ?? '');
            $clicks[] = ['words' => $words === '' ? 'Something that is gone' : mb_strimwidth($words, 0, 80, '…'),
                'at' => Instant::jsonFromSql($event->at)];
        }

        return $clicks;
    }
}
