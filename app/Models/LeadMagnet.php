<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a funnel gives away.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $title
 * @property string|null $upload_id
 * @property int $revision
 * @property Upload|null $upload
 * @property Funnel $funnel
 */
final class LeadMagnet extends Record
{
    use HasUlids;

    /** @return BelongsTo<Upload, $this> */
    public function upload(): BelongsTo
    {
        return $this->belongsTo(Upload::class);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }
}
