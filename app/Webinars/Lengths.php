<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Upload;
use DateTimeImmutable;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/** How long what is played lasts. */
final class Lengths
{
    /** Hours after which it is looked at what became of a session that begins whenever its person likes. */
    private const ON_DEMAND = 24;

    /** Seconds of the recording; of the planned session where there is none, or its file does not say. */
    public static function seconds(Webinar $webinar): int
    {
        return self::ofVideo($webinar) ?? $webinar->schedule->minutes * 60;
    }

    public static function ofVideo(Webinar $webinar): ?int
    {
        return $webinar->video === '' ? null : Upload::query()->find($webinar->video)?->length();
    }

    /** When to look first what became of a session. */
    public static function settleAt(Webinar $webinar, Session $session): DateTimeImmutable
    {
        return match (true) {
            $session->key === 'd' => $session->startsAt->modify('+'.self::ON_DEMAND.' hours'),
            $webinar->mode === WebinarMode::Automated => $session->startsAt->modify('+'.self::seconds($webinar).' seconds'),
            default => $session->endsAt,
        };
    }
}
