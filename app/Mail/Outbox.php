<?php

declare(strict_types=1);

namespace App\Mail;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mime\Email;

/** The stand-in mail provider: keeps every message as it went over the wire, each message id once. */
final class Outbox implements Provider
{
    public function handOver(string $messageId, string $to, Email $email): void
    {
        DB::table('outbox')->insertOrIgnore(['message_id' => $messageId, 'envelope_to' => $to,
            'mime' => $email->toString(), 'received_at' => Instant::sql(CarbonImmutable::now())]);
    }
}
