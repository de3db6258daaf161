<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

use DateInterval;
use DateTimeImmutable;

/** When a broadcast is sent, when a test of its subjects has run, and when it goes out once more. */
final class BroadcastTiming
{
    /** @return string|null why it cannot be sent then, in one sentence */
    public static function refusal(DateTimeImmutable $at, DateTimeImmutable $now): ?string
    {
        return $at > $now && $at <= $now->modify('+1 year') ? null : 'Choose a moment that is still to come, within a year.';
    }

    /**
     * Have all readers who take part in the test had it for as long as it runs? With many readers, or a provider that is down, the
     * last of them get it long after it began.
     *
     * @param  DateTimeImmutable|null  $began  when it was started
     * @param  bool  $someAreDue  does any message of the test still wait that is due?
     * @param  DateTimeImmutable|null  $last  when the last of them went out; null where none has
     */
    public static function hasRun(BroadcastPlan $plan, ?DateTimeImmutable $began, bool $someAreDue, ?DateTimeImmutable $last,
        DateTimeImmutable $now): bool
    {
        $runs = fn (DateTimeImmutable $from): bool => $now >= $from->modify("+{$plan->hours} hours");

        return $began !== null && $runs($began) && ! $someAreDue && ($last === null || $runs($last));
    }

    public static function isDue(DateTimeImmutable $at, DateTimeImmutable $now): bool
    {
        return $at <= $now;
    }

    /** When it goes out again to those who have not opened it; null where it does not. */
    public static function againAt(BroadcastPlan $plan, ?DateTimeImmutable $began): ?DateTimeImmutable
    {
        return $began === null || $plan->againDays < 1 ? null : $began->add(new DateInterval('P'.$plan->againDays.'D'));
    }
}
