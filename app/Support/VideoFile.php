<?php

declare(strict_types=1);

namespace App\Support;

use getID3;
use Throwable;

/** What a video's file says of itself, read from its boxes and tracks. Its first bytes alone say nothing: anything can begin so. */
final class VideoFile
{
    /** Longer than this is no length but a broken file. Seconds. */
    private const MOST = 86_400;

    /** @return int|null whole seconds, one for anything shorter; nothing for what is broken or does not say */
    public static function seconds(string $path): ?int
    {
        $seconds = self::read($path)['playtime_seconds'] ?? null;

        return is_numeric($seconds) && $seconds > 0 && $seconds <= self::MOST ? max(1, (int) round((float) $seconds)) : null;
    }

    /** Has it a track with moving pictures, in a container that browsers play? */
    public static function isPlayable(string $path): bool
    {
        $read = self::read($path);
        $video = $read['video'] ?? null;

        return in_array($read['fileformat'] ?? '', ['mp4', 'quicktime', 'webm', 'matroska'], true) && is_array($video)
            && is_numeric($video['resolution_x'] ?? null) && $video['resolution_x'] > 0;
    }

    /** @return array<array-key, mixed> */
    private static function read(string $path): array
    {
        try {
            $read = (new getID3)->analyze($path);
        } catch (Throwable) {
            // What cannot be read is no video.
            return [];
        }

        return is_array($read) ? $read : [];
    }
}
