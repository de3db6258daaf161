<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Message;
use App\Support\Instant;

final class MessageJson
{
    /** @return array<string, mixed> a message in a list, without its words */
    public static function of(Message $message): array
    {
        return ['id' => $message->id, 'name' => $message->name, 'kind' => $message->kind, 'to' => $message->to_address,
            'subject' => $message->subject,
            'state' => $message->state, 'dueAt' => Instant::json($message->due_at), 'sentAt' => Instant::json($message->sent_at),
            'trouble' => $message->trouble, 'attempts' => $message->attempts, 'personId' => $message->person_id,
            'funnelId' => $message->funnel_id,
            'openedAt' => Instant::json($message->opened_at), 'clickedAt' => Instant::json($message->clicked_at),
            'lostWhy' => $message->lost_why];
    }
}
