<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Files\FileLinks;
use App\Models\Delivery;
use App\Models\Message;
use App\Support\Homes;
use Carbon\CarbonImmutable;

/** The lead magnet a message speaks of, and its reader's own link to it. */
final class DownloadLink
{
    public static function delivery(Message $message): ?Delivery
    {
        return Delivery::query()->with(['leadMagnet', 'funnel'])->where('person_id', $message->person_id)->whereNull('revoked_at')
            ->when($message->funnel_id !== null, fn ($q) => $q->where('funnel_id', $message->funnel_id))
            ->latest('id')->first();
    }

    public static function url(Message $message): string
    {
        $delivery = self::delivery($message);
        if ($delivery === null) {
            // Not, or no longer, theirs: the page where it can be asked for, and never the Studio's door.
            return $message->funnel?->url() ?? Homes::link($message->business_id, null, '/');
        }
        $name = $delivery->leadMagnet?->text('fileName') ?? '';

        if ($name === '') {
            // What is read has no file: its own page, which knows its reader by this very link.
            $guide = $message->funnel?->liveVersion?->plan()->guide($delivery->leadMagnet?->text('guide') ?? '');

            return $delivery->funnel->url($guide->address ?? '');
        }

        return FileLinks::forEmail($delivery, $name, $message->sent_at ?? CarbonImmutable::now());
    }
}
