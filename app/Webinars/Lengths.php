<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Upload;
use DateTimeImmutable;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;

/** How long what is played lasts. */
final class Lengths
{
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
        return $webinar->settlesAt($session, self::seconds($webinar));
    }
}
