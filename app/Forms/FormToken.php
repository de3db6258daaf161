<?php

declare(strict_types=1);

namespace App\Forms;

use App\Support\Seal;
use App\Support\SealPurpose;
use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * Proves that a form was loaded from us, when, and for which page: nonce, time and a keyed hash over both.
 * The nonce is the key of the submission, so a form sent twice is one submission. Nothing is stored for a token.
 */
final readonly class FormToken
{
    private function __construct(public string $nonce, public int $loadedAtMs)
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
    public static function read(mixed $token, string $page): ?self
    {
        if (! is_string($token) || preg_match('/^([a-z0-9]{32})\.([0-9]{13})\.([0-9a-f]{64})$/D', $token, $m) !== 1
            || ! Seal::holds(SealPurpose::Form, "{$m[1]}|{$m[2]}|{$page}", $m[3], 64)) {
            return null;
        }
        $read = new self($m[1], (int) $m[2]);

        return $read->age() > (float) config('lantern.signups.token_seconds') ? null : $read;
    }

    /** Seconds since the form was loaded. */
    public function age(): float
    {
        return (CarbonImmutable::now()->getPreciseTimestamp(3) - $this->loadedAtMs) / 1000;
    }
}
