<?php

declare(strict_types=1);

namespace App\Forms;

use App\Support\Seal;
use App\Support\SealPurpose;
use App\Support\Setting;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use Lantern\Core\Support\Validity;

/**
 * Proves that a form was loaded from us, when, and for which page: nonce, time and a keyed hash over both.
 * The nonce is the key of the submission, so a form sent twice is one submission. Nothing is stored for a token.
 */
final readonly class FormToken
{
    /** @param  float  $age  seconds since the form was loaded */
    private function __construct(public string $nonce, public float $age)
    {
    }

    /** @param  DateTimeInterface|null  $at  when the form is loaded; null for now */
    public static function issue(string $page, ?DateTimeInterface $at = null): string
    {
        $nonce = bin2hex(random_bytes(16));
        $ms = (int) ($at ?? CarbonImmutable::now())->format('Uv');

        return "{$nonce}.{$ms}.".Seal::of(SealPurpose::Form, "{$nonce}|{$ms}|{$page}", 64);
    }

    /** @return self|null nothing when it is not ours, not for this page, or too old */
    public static function read(mixed $token, string $page, DateTimeImmutable $now): ?self
    {
        if (! is_string($token) || preg_match('/^([a-z0-9]{32})\.([0-9]{13})\.([0-9a-f]{64})$/D', $token, $m) !== 1
            || ! Seal::holds(SealPurpose::Form, "{$m[1]}|{$m[2]}|{$page}", $m[3], 64)) {
            return null;
        }
        $loaded = new DateTimeImmutable('@'.substr($m[2], 0, 10).'.'.substr($m[2], 10));

        return Validity::since($loaded, (int) Setting::text('lantern.signups.token_seconds'), $now)
            ? new self($m[1], ((int) $now->format('Uv') - (int) $m[2]) / 1000) : null;
    }

    /** By which one filled-in form is one sign-up, however often it is sent; with another address somebody has corrected it. */
    public static function key(string $nonce, string $emailKey): string
    {
        return substr(hash('sha256', "{$nonce}|{$emailKey}"), 0, 32);
    }
}
