<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Support\Instant;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;

/** What they did, and what was done for them. */
final class EventHistory implements TellsHistory
{
    public static function kinds(): array
    {
        return array_values(array_map(fn (EventType $t): string => $t->value, array_filter(EventType::cases(),
            fn (EventType $t): bool => ! $t->isToldElsewhere())));
    }

    public static function tell(string $person, array $names, int $most): array
    {
        $told = [];
        $popped = self::popped($person);
        foreach (DB::table('events')->where('person_id', $person)->whereIn('type', self::kinds())
            ->orderByDesc('at')->limit($most)->get() as $event) {
            $data = is_string($event->data) ? (array) json_decode($event->data, true) : [];
            $offers = array_filter(array_map(fn (mixed $id): string => is_string($id) ? $names[$id] ?? '' : '',
                is_array($data['offers'] ?? null) ? $data['offers'] : []));
            $what = $offers === [] ? $names[$event->page_id] ?? $names[is_string($data['webinar'] ?? null) ? $data['webinar'] : '']
                ?? $data['tag'] ?? $data['to'] ?? '' : implode(', ', $offers);
            $submission = is_string($data['submission'] ?? null) ? $data['submission'] : '';
            $what = $popped[$submission] ?? $what;
            $told[] = [
                'kind' => $event->type, 'at' => Instant::jsonFromSql($event->at), 'what' => is_string($what) ? $what : '',
                'funnel' => $names[$event->funnel_id] ?? '', 'source' => $event->source, 'id' => 'e'.$event->id,
                'message' => is_string($data['message'] ?? null) ? $data['message'] : null,
            ];
        }

        return $told;
    }

    /** @return array<string, string> where a form was filled in that stood in a pop-up or on another site, by submission */
    private static function popped(string $person): array
    {
        $rows = DB::table('submissions')->where('person_id', $person)->whereNotNull('popup_id')
            ->leftJoin('draft_parts', 'draft_parts.id', '=', 'submissions.popup_id')->leftJoin('sites', 'sites.id', '=',
                'submissions.site_id')
            ->get(['submissions.id', 'draft_parts.name as popup', 'sites.name as site', 'submissions.site_path']);
        $where = [];
        foreach ($rows as $row) {
            $where[(string) $row->id] = ($row->popup ?? 'A pop-up').($row->site === null ? '' : " on {$row->site}, {$row->site_path}");
        }

        return $where;
    }
}
