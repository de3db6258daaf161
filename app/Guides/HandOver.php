<?php

declare(strict_types=1);

namespace App\Guides;

use App\Models\Delivery;
use App\Models\Message;

/** Whoever gets an email with a link to a guide may read it: sending it is handing it over. What the owner took back stays taken back. */
final class HandOver
{
    /** @param  string  $link  as it was written: a merge field that names the guide */
    public static function byLink(Message $message, string $link): void
    {
        $plan = preg_match('/^\{\{\s*page_([A-Za-z0-9-]{1,40})/', $link, $m) === 1 ? $message->funnel?->liveVersion?->plan() : null;
        $leadMagnet = $plan?->guide($m[1] ?? '') === null ? null : $plan->leadMagnetOf($m[1] ?? '');
        if ($leadMagnet !== null && $message->person_id !== null) {
            Delivery::query()->firstOrCreate(['person_id' => $message->person_id, 'lead_magnet_id' => $leadMagnet->id],
                ['funnel_id' => (string) $message->funnel_id]);
        }
    }
}
