<?php

declare(strict_types=1);

namespace App\Support;

use getID3;
use Throwable;

/** How long a video is, as its file says. */
final class VideoLength
{
    /** Longer than this is no length but a broken file. Seconds. */
    private const MOST = 86_400;

    /** @return int|null whole seconds, one for anything shorter; nothing for what is broken or does not say */
    public static function read(string $path): ?int
    {
        try {
            $seconds = (new getID3)->analyze($path)['playtime_seconds'] ?? null;
        } catch (Throwable) {
            return null;
        }

        return is_numeric($seconds) && $seconds > 0 && $seconds <= self::MOST ? max(1, (int) round((float) $seconds)) : null;
    }
}
