<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Drafts\Kinds\DraftKinds;
use App\Drafts\Kinds\SplitTestKind;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Support\Invalid;

/** The parts of a draft: the one way in which they are added, changed, removed and brought back, whatever their kind. */
final readonly class DraftParts
{
    public function __construct(private DraftKinds $kinds)
    {
    }

    /**
     * @param  array<array-key, mixed>  $typed
     *
     * @throws Invalid by the place of what is wrong; nothing is changed then
     */
    public function change(DraftPart $row, array $typed): DraftPart
    {
        $row->put($this->kinds->named($row->kind)->changed($row, $typed))->forceFill(['revision' => $row->revision + 1])->save();

        return $row;
    }

    /**
     * Removes a part. It can be brought back.
     *
     * @return list<string> what became of the rest of the funnel, in sentences
     *
     * {@see Invalid} when others need it, or it is removed already.
     */
    public function remove(DraftPart $row): array
    {
        return DB::transaction(function () use ($row): array {
            if ($row->removed !== null) {
                throw Invalid::at($row->kind, 'This '.PartKinds::named($row->kind)::label().' is removed already.');
            }
            $sentences = [...$this->kinds->named($row->kind)->remove($row), ...SplitTestKind::removeOf($row)];
            $row->refresh()->forceFill(['removed' => ['at' => Instant::json(CarbonImmutable::now())]])->save();

            return $sentences;
        });
    }

    /**
     * Brings back a part that was removed. {@see Invalid} when there is no room for it, or what it needs is gone.
     */
    public function restore(DraftPart $row): DraftPart
    {
        return DB::transaction(function () use ($row): DraftPart {
            if ($row->removed === null) {
                throw Invalid::at($row->kind, 'This '.PartKinds::named($row->kind)::label().' is in the funnel already.');
            }
            $part = $row->part();
            DraftRows::roomFor($row->funnel_id, $part);
            if (array_diff($part->needs(), DraftPart::there($row->funnel_id)->pluck('id')->all()) !== []) {
                throw Invalid::at($row->kind, "“{$row->name}” needs something that was removed. Restore that first.");
            }
            $this->kinds->named($row->kind)->restored($row);
            SplitTestKind::restoreOf($row);
            $row->forceFill(['removed' => null, 'revision' => $row->revision + 1])->save();

            return $row;
        });
    }
}
