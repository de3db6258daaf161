<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Support\Instant;
use Illuminate\Support\Facades\DB;

/** What they did, and what was done for them. */
final class EventHistory implements TellsHistory
{
    public static function tell(string $person, array $names, int $most): array
    {
        $told = [];
        foreach (DB::table('events')->where('person_id', $person)->orderByDesc('at')->limit($most)->get() as $event) {
            $data = is_string($event->data) ? (array) json_decode($event->data, true) : [];
            $offers = array_filter(array_map(fn (mixed $id): string => is_string($id) ? $names[$id] ?? '' : '',
                is_array($data['offers'] ?? null) ? $data['offers'] : []));
            $what = $offers === [] ? $names[$event->page_id] ?? $data['tag'] ?? $data['to'] ?? '' : implode(', ', $offers);
            $told[] = [
                'kind' => $event->type, 'at' => Instant::jsonFromSql($event->at), 'what' => is_string($what) ? $what : '',
                'funnel' => $names[$event->funnel_id] ?? '', 'source' => $event->source, 'id' => 'e'.$event->id,
                'message' => is_string($data['message'] ?? null) ? $data['message'] : null,
            ];
        }

        return $told;
    }
}
