<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Seal;
use App\Support\SealPurpose;
use Carbon\CarbonImmutable;
use Lantern\Core\Support\Validity;

/** A link that shows a draft to whoever has it, until a moment: signed, for all pages of one funnel alike. */
final class PreviewLink
{
    public static function make(string $funnel, CarbonImmutable $until, string $page = ''): string
    {
        return url("/preview/{$funnel}".($page === '' ? '' : "/{$page}")."?until={$until->getTimestamp()}&key="
            .self::key($funnel, $until->getTimestamp()));
    }

    /** The moment it is good until; null for a link that is not ours or has run out. */
    public static function until(string $funnel, mixed $until, mixed $key, CarbonImmutable $now): ?CarbonImmutable
    {
        if (! is_string($until) || ! is_string($key) || preg_match('/^\d{1,12}$/D', $until) !== 1
            || ! Seal::holds(SealPurpose::Preview, "{$funnel}|{$until}", $key)) {
            return null;
        }
        $end = CarbonImmutable::createFromTimestamp((int) $until);

        return Validity::until($end, $now) ? $end : null;
    }

    private static function key(string $funnel, int $until): string
    {
        return Seal::of(SealPurpose::Preview, "{$funnel}|{$until}");
    }
}
