<?php

declare(strict_types=1);

namespace App\Mail\Sequences;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use stdClass;

/** The sequences of all funnels and how they do; in as many queries for many as for one. */
final class SequenceNumbers
{
    /**
     * Those of funnels that are not archived: the busiest first, then by the names of funnel and sequence. What was sent since a
     * moment, and what became of that; what waits now, and for how many people (those are inside).
     *
     * @return list<array{id: string, name: string, funnel: string, funnelName: string, live: bool, paused: bool, emails: int, inside: int,
     *     waiting: int, nextAt: string|null, sent: int, opened: int, clicked: int, lost: int}>
     */
    public function atWork(Business $business, DateTimeImmutable $since): array
    {
        $rows = DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')
            ->where('business_id', $business->id)->whereNull('archived_at')->where('kind', SequencePlan::kind())->whereNull('removed')
            ->orderBy('funnels.name')->orderBy('draft_parts.name')
            ->get(['draft_parts.id', 'draft_parts.name', 'funnel_id', 'funnels.name as funnel', 'funnels.state']);
        $ids = $rows->pluck('id');
        $emails = DB::table('draft_parts')->whereIn('funnel_id', $rows->pluck('funnel_id')->unique())->where('kind', EmailPlan::kind())
            ->whereNull('removed')->groupByRaw("json_extract(definition, '$.sequence')")
            ->selectRaw("json_extract(definition, '$.sequence') as sequence, count(*) as n")->pluck('n', 'sequence');
        $paused = DB::table('sequence_pauses')->whereIn('sequence_id', $ids)->pluck('paused_at', 'sequence_id');
        $waiting = DB::table('messages')->whereIn('sequence_id', $ids)->whereRaw("state = 'waiting'")->groupBy('sequence_id')
            ->selectRaw('sequence_id, count(*) as n, count(distinct person_id) as people, min(due_at) as next')
            ->get()->keyBy('sequence_id');
        $sent = $this->sent($ids, $since);
        $list = $rows->map(fn (stdClass $row): array => [
            'id' => (string) $row->id,
            'name' => (string) $row->name,
            'funnel' => (string) $row->funnel_id,
            'funnelName' => (string) $row->funnel,
            'live' => $row->state === 'live',
            'paused' => isset($paused[$row->id]),
            'emails' => (int) ($emails[$row->id] ?? 0),
            'inside' => (int) ($waiting[$row->id]->people ?? 0),
            'waiting' => (int) ($waiting[$row->id]->n ?? 0),
            'nextAt' => Instant::jsonFromSql($waiting[$row->id]->next ?? null),
            'sent' => (int) ($sent[$row->id]->sent ?? 0),
            'opened' => (int) ($sent[$row->id]->opened ?? 0),
            'clicked' => (int) ($sent[$row->id]->clicked ?? 0),
            'lost' => (int) ($sent[$row->id]->lost ?? 0),
        ]);

        return array_values($list->sortByDesc('inside', SORT_NUMERIC)->all());
    }

    /**
     * @param  Collection<int, mixed>  $ids
     * @return Collection<array-key, stdClass>
     */
    private function sent(Collection $ids, DateTimeImmutable $since): Collection
    {
        return DB::table('messages')->whereIn('sequence_id', $ids)->where('sent_at', '>=', Instant::sql($since))->groupBy('sequence_id')
            ->selectRaw('sequence_id, count(*) as sent, count(opened_at) as opened, count(clicked_at) as clicked, count(lost_at) as lost')
            ->get()->keyBy('sequence_id');
    }
}
