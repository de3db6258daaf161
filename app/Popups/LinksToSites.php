<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Site;

/** Links in our emails to the owner's other sites say that they come from an email, and nothing of who follows them. */
final class LinksToSites
{
    public static function marked(int $business, string $url): string
    {
        $host = strtolower((string) parse_url($url, PHP_URL_HOST));
        $leads = $host !== '' && preg_match('~^https?://~i', $url) === 1 && Site::query()->where('business_id', $business)
            ->whereNull('deleted_at')->get()->contains(fn (Site $site): bool => self::host($site->origin) === $host);
        if (! $leads) {
            return $url;
        }
        $parts = explode('#', $url, 2);

        return $parts[0].(str_contains($parts[0], '?') ? '&' : '?').PopupView::FROM_EMAIL.(isset($parts[1]) ? "#{$parts[1]}" : '');
    }

    private static function host(string $origin): string
    {
        return strtolower((string) parse_url($origin, PHP_URL_HOST));
    }
}
