<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Message;
use App\Models\Person;
use App\Support\Instant;
use Illuminate\Support\Facades\DB;

/** What happened between a person and the business, across all funnels, the newest first. */
final class History
{
    /** @return list<array<string, mixed>> */
    public function of(Person $person, int $most): array
    {
        $pages = DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')->where('funnels.business_id', $person->business_id)->where('kind', 'page')->pluck('draft_parts.name', 'draft_parts.id');
        $funnels = DB::table('funnels')->where('business_id', $person->business_id)->pluck('name', 'id');
        $history = [];
        foreach (DB::table('events')->where('person_id', $person->id)->orderByDesc('at')->limit($most)->get() as $event) {
            $data = is_string($event->data) ? (array) json_decode($event->data, true) : [];
            $history[] = ['kind' => $event->type, 'at' => Instant::jsonFromSql($event->at), 'what' => (string) ($pages[$event->page_id] ?? $data['tag'] ?? $data['to'] ?? ''),
                'funnel' => (string) ($funnels[$event->funnel_id] ?? ''), 'source' => $event->source, 'id' => 'e'.$event->id, 'message' => is_string($data['message'] ?? null) ? $data['message'] : null];
        }
        foreach (Message::query()->where('person_id', $person->id)->orderByDesc('due_at')->limit($most)
            ->get(['id', 'name', 'subject', 'state', 'due_at', 'sent_at', 'funnel_id', 'opens', 'clicks', 'trouble', 'lost_why']) as $message) {
            $history[] = ['kind' => 'message-'.$message->state, 'at' => Instant::json($message->sent_at ?? $message->due_at), 'what' => $message->name,
                'funnel' => (string) ($funnels[$message->funnel_id] ?? ''), 'source' => null, 'id' => $message->id, 'message' => $message->id, 'opens' => $message->opens, 'clicks' => $message->clicks, 'trouble' => $message->trouble];
        }
        $names = array_column(array_filter($history, fn (array $h): bool => $h['id'] === $h['message']), 'what', 'id');
        foreach ($history as $i => $item) {
            // What happened with a message is told with its name.
            if ($item['message'] !== null && $item['id'] !== $item['message'] && $item['what'] === '') {
                $history[$i]['what'] = (string) ($names[$item['message']] ?? '');
            }
        }
        usort($history, fn (array $a, array $b): int => [$b['at'], $b['id']] <=> [$a['at'], $a['id']]);

        return array_slice($history, 0, $most);
    }
}
