<?php

declare(strict_types=1);

namespace App\Popups;

use App\Support\Seal;
use App\Support\SealPurpose;
use Carbon\CarbonImmutable;
use Lantern\Core\Popups\Visits;
use Lantern\Core\Support\Validity;

/**
 * A view of a page, sealed: what its browser reports later is about this view and no other, and cannot be made up. Nothing is
 * stored for it; it is good for some hours.
 */
final class Ticket
{
    public static function of(PopupView $asked): string
    {
        $body = rtrim(strtr(base64_encode(json_encode([
            'view' => $asked->view, 'at' => (int) $asked->since->getPreciseTimestamp(3), 'funnel' => $asked->funnel?->id,
            'page' => $asked->page?->page_id, 'site' => $asked->site?->id, 'path' => $asked->path, 'title' => $asked->title,
            'visitor' => $asked->visitor, 'source' => $asked->source, 'languages' => implode(',', $asked->languages),
            'phone' => $asked->phone, 'email' => $asked->fromEmail, 'owner' => $asked->owner,
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)), '+/', '-_'), '=');

        return $body.'.'.Seal::of(SealPurpose::PopupView, $body);
    }

    /** @return PopupView|null nothing for what is not ours, is too old, or whose funnel or site is not there any more */
    public static function read(string $ticket): ?PopupView
    {
        [$body, $seal] = [...explode('.', $ticket, 2), ''];
        if (strlen($ticket) > 8000 || $body === '' || ! Seal::holds(SealPurpose::PopupView, $body, $seal)) {
            return null;
        }
        $read = json_decode((string) base64_decode(strtr($body, '-_', '+/'), true), true);
        $text = fn (string $key): string => is_array($read) && is_string($read[$key] ?? null) ? $read[$key] : '';
        $since = CarbonImmutable::createFromTimestampMs(is_array($read) && is_int($read['at'] ?? null) ? $read['at'] : 0);
        $now = CarbonImmutable::now();
        if (! is_array($read) || ! Validity::since($since, Visits::OPEN, $now)) {
            return null;
        }
        $site = PopupView::site($text('site'));
        $funnel = PopupView::funnel($text('funnel'), $now);
        $page = PopupView::page($funnel, $text('page'));
        $business = $site->business ?? $funnel?->business;

        return $business === null || ($site === null && $page === null) ? null : new PopupView($business, $funnel, $page, $site,
            $text('path'),
            $text('title'), $text('visitor') ?: null, $text('source'), PopupView::languages($text('languages')),
            ($read['phone'] ?? false) === true, ($read['email'] ?? false) === true, ($read['owner'] ?? false) === true, $text('view'),
            $since);
    }
}
