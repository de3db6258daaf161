<?php

declare(strict_types=1);

namespace App\Mail\Broadcasts;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Broadcast;
use App\Models\Message;

/** A broadcast: for those who agreed to more than what they asked for. */
final class BroadcastMessage extends KindOfMessage
{
    public function source(Message $message): ?EmailSource
    {
        $broadcast = Broadcast::query()->with('funnel.liveVersion')->find($message->broadcast_id);

        return $broadcast === null ? null
            : EmailSource::ofBroadcast($broadcast, $message->business, $message->variant, $message->run > 1);
    }

    public function optOut(Message $message): string
    {
        return 'broadcasts';
    }
}
