<?php

declare(strict_types=1);

namespace App\Forms;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/** Keeps floods and programs from filling forms in, without asking anything of people. */
final class SpamGuard
{
    public static function isFlood(Request $request): bool
    {
        return RateLimiter::tooManyAttempts('signups:'.$request->ip(), (int) config('lantern.signups.per_address'));
    }

    public static function count(Request $request): void
    {
        RateLimiter::hit('signups:'.$request->ip(), 600);
    }

    /** A field that people do not see is filled in, or everything was within a moment. */
    public static function isProgram(Request $request, FormToken $token): bool
    {
        return $request->input('website', '') !== '' || $token->age() < (float) config('lantern.signups.least_seconds');
    }
}
