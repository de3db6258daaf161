<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\Instant;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\SequencePlan;

final class SequenceKind extends DraftKind
{
    public function part(): string
    {
        return SequencePlan::class;
    }

    public function list(): string
    {
        return 'sequences';
    }

    public function typed(): array
    {
        return ['name', 'starts', 'ends', 'again', 'window', 'byReader'];
    }

    public function changed(DraftPart $row, array $typed): Part
    {
        // An empty window is no window: always.
        if (array_key_exists('window', $typed) && in_array($typed['window'], [null, []], true)) {
            unset($typed['window']);
            $row->definition = array_diff_key($row->definition, ['window' => 0]);
        }

        return parent::changed($row, $typed);
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'starts', 'One of these forms is not in this funnel any more.');
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $count = $funnel->parts->where('kind', SequencePlan::kind())->count();
        $name = is_string($typed['name'] ?? null) ? trim($typed['name']) : '';

        return new SequencePlan(Ids::next(),
            mb_substr($name !== '' ? $name : ($count === 0 ? 'Follow-up' : 'Sequence '.($count + 1)), 0, 120));
    }

    public function json(DraftPart $row, Part $part): array
    {
        $paused = DB::table('sequence_pauses')->where('sequence_id', $row->id)->value('paused_at');

        return ! $part instanceof SequencePlan ? []
            : ['starts' => $part->starts->toArray(), 'ends' => $part->ends->toArray(), 'again' => $part->again,
                'byReader' => $part->byReader,
                'window' => $part->window->isAlways() ? null : $part->window->toArray(), 'windowLabel' => $part->window->label(),
                'paused' => $paused !== null, 'pausedAt' => Instant::jsonFromSql($paused)];
    }
}
