<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Languages\SiteVoice;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Webinars\Webinar;

/** A webinar's next sessions as the desk shows them, in the host's zone. */
final class WebinarExample
{
    /** @return list<string> when they are; '' stands for one that begins at once */
    public static function of(?Webinar $webinar, SiteVoice $voice, ?DateTimeImmutable $now = null): array
    {
        if ($webinar === null) {
            return [];
        }
        $now ??= CarbonImmutable::now();
        $times = [];
        foreach ($webinar->sessions()->offered($now, $webinar->zone()) as $choice) {
            $times[] = $choice->session->key === 'd' ? $voice->say('session.any_time')
                : TimeWords::moment($choice->session->startsAt, $webinar->zone(), $voice->language()->tag, $now);
        }

        return $times;
    }
}
