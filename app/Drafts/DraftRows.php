<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;

/** The rows of a draft, whatever their kind: what is written when a part comes. */
final class DraftRows
{
    /**
     * Puts a part into a draft, after those of its kind. {@see Invalid} when there are as many as a funnel may have.
     */
    public static function add(Funnel $funnel, Part $part): DraftPart
    {
        return DB::transaction(function () use ($funnel, $part): DraftPart {
            self::roomFor($funnel->id, $part);
            $row = self::row($funnel, $part, 1 + (int) DraftPart::there($funnel->id, $part::kind())->max('position'));
            $funnel->unsetRelation('parts');

            return $row;
        });
    }

    /** Writes a part as a new row, in a place of its own. */
    public static function row(Funnel $funnel, Part $part, int $position): DraftPart
    {
        $row = (new DraftPart)->forceFill(['id' => $part->id(), 'funnel_id' => $funnel->id, 'position' => $position])->put($part);
        $row->save();

        return $row;
    }

    /** @throws Invalid when a funnel has as many parts of this kind as it may */
    public static function roomFor(string $funnel, Part $part): void
    {
        if (DraftPart::there($funnel, $part::kind())->count() >= $part::most()) {
            throw Invalid::at('kind', 'A funnel has '.$part::most().' '.$part::label().'s at most.');
        }
    }
}
