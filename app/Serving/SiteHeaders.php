<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Business;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;

/** The headers of public pages. */
final class SiteHeaders
{
    /** For all pages that people see. */
    public const COMMON = [
        'Content-Type' => 'text/html; charset=utf-8',
        'X-Content-Type-Options' => 'nosniff',
        'Referrer-Policy' => 'strict-origin-when-cross-origin',
        'X-Frame-Options' => 'SAMEORIGIN',
    ];

    private const POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; base-uri 'none'; object-src 'none'";

    /** For pages of the application's own making. */
    public const PAGE = self::COMMON + ['Content-Security-Policy' => self::POLICY];

    /**
     * For an owner's page: what it embeds is let in, and their own code may do what they put it there for. It stands
     * on a site of theirs, without a session, so that it can reach nothing of the Studio.
     *
     * @return array<string, string>
     */
    public static function ofPage(PagePlan $page, Business $business): array
    {
        if ($page->settings->hasCode()) {
            return ['Content-Security-Policy' => "default-src 'self' https: data: blob: 'unsafe-inline' 'unsafe-eval'; base-uri 'none'; "
                ."object-src 'none'"];
        }
        $embeds = array_filter($page->document->blocksOf(BlockKind::Video), fn ($b): bool => $b->field('url') !== '') !== [];
        $hosts = $embeds ? implode(' ', array_map(fn (string $h): string => "https://{$h}", $business->embed_hosts)) : '';

        return ['Content-Security-Policy' => self::POLICY.($hosts === '' ? '' : "; frame-src {$hosts}")];
    }
}
