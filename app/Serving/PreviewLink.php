<?php

declare(strict_types=1);

namespace App\Serving;

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
            || ! hash_equals(self::key($funnel, (int) $until), $key)) {
            return null;
        }
        $end = CarbonImmutable::createFromTimestamp((int) $until);

        return Validity::until($end, $now) ? $end : null;
    }

    private static function key(string $funnel, int $until): string
    {
        return substr(hash_hmac('sha256', "preview|{$funnel}|{$until}", (string) config('app.key')), 0, 40);
    }
}
