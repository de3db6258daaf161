<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Funnel;
use App\Models\Version;
use App\Support\Instant;
use Lantern\Core\Plan\FunnelState;

final class VersionJson
{
    /** @return array<string, mixed> */
    public static function of(Version $version, Funnel $funnel): array
    {
        return ['id' => $version->id, 'number' => $version->number, 'note' => $version->note,
            'publishedAt' => Instant::json($version->published_at),
            'live' => $funnel->live_version_id === $version->id && $funnel->state === FunnelState::Live];
    }
}
