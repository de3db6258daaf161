<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Message;
use App\Support\Instant;
use Lantern\Core\Messages\MessageState;

/** What was and will be written to them. */
final class MessageHistory implements TellsHistory
{
    private const COLUMNS = ['id', 'name', 'state', 'due_at', 'sent_at', 'funnel_id', 'opens', 'clicks', 'trouble'];

    public static function kinds(): array
    {
        return array_map(fn (MessageState $s): string => "message-{$s->value}", MessageState::cases());
    }

    public static function tell(string $person, array $names, int $most): array
    {
        $told = [];
        foreach (Message::query()->where('person_id', $person)->orderByDesc('due_at')->limit($most)->get(self::COLUMNS) as $message) {
            $told[] = [
                'kind' => 'message-'.$message->state->value, 'at' => Instant::json($message->sent_at ?? $message->due_at),
                'what' => $message->name,
                'funnel' => $names[$message->funnel_id] ?? '', 'source' => null, 'id' => $message->id, 'message' => $message->id,
                'opens' => $message->opens, 'clicks' => $message->clicks, 'trouble' => $message->trouble,
            ];
        }

        return $told;
    }
}
