<?php

declare(strict_types=1);

namespace App\Forms;

use App\Support\Instant;
use App\Support\Setting;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;

/** Keeps floods and programs from filling forms in, without asking anything of people. */
final class SpamGuard
{
    /** How long a network address is remembered. Minutes. */
    private const MINUTES = 10;

    /** Did so many sign-ups come from one network address already? Its values: see {@see flood()}. */
    public const FLOOD = 'select (select count(*) from (select 1 from submissions where ip = ? and submitted_at > ? limit ?)) '
        .'+ (select count(*) from (select 1 from received_signups where ip = ? limit ?)) >= cast(? as integer)';

    public static function isFlood(string $ip, DateTimeImmutable $now): bool
    {
        return (bool) DB::scalar(self::FLOOD, self::flood($ip, $now));
    }

    /** @return list<string|int> */
    public static function flood(string $ip, DateTimeImmutable $now): array
    {
        $most = (int) Setting::text('lantern.signups.per_address');
        $since = Instant::sql($now->modify('-'.self::MINUTES.' minutes'));

        return [$ip, $since, $most, $ip, $most, $most];
    }

    /** The same for second steps, which make no sign-up. */
    public static function isFloodOfMore(string $ip): bool
    {
        return RateLimiter::tooManyAttempts("second-steps:{$ip}", (int) config('lantern.signups.per_address'));
    }

    public static function countMore(string $ip): void
    {
        RateLimiter::hit("second-steps:{$ip}", 60 * self::MINUTES);
    }

    /** A field that people do not see is filled in, or everything was within a moment. */
    public static function isProgram(mixed $website, FormToken $token): bool
    {
        return ($website ?? '') !== '' || $token->age < (float) Setting::text('lantern.signups.least_seconds');
    }
}
