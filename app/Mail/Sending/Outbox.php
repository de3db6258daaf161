<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mime\Email;

/**
 * The stand-in mail provider: keeps every message as it went over the wire, each message id once. It can be told to
 * behave like a real one on a bad day; see {@see OutboxBehaviour}.
 */
final class Outbox implements Provider
{
    public function handOver(string $messageId, int $business, string $to, Email $email): void
    {
        $mood = OutboxBehaviour::now();
        if ($mood->slowMs > 0) {
            usleep($mood->slowMs * 1000);
        }
        if ($mood->failsAt(CarbonImmutable::now())) {
            throw new TemporaryTrouble('The outbox was told to be out of order for a while.');
        }
        if ($mood->bounces($to)) {
            throw new PermanentTrouble('550 5.1.1 The outbox was told that this mailbox does not exist.', true);
        }
        $new = DB::table('outbox')->insertOrIgnore(['message_id' => $messageId, 'envelope_to' => $to,
            'mime' => $email->toString(), 'received_at' => Instant::sql(CarbonImmutable::now())]);
        if ($new === 1 && $mood->complains($to)) {
            ReportBack::dispatch($messageId);
        }
    }
}
