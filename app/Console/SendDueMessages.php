<?php

declare(strict_types=1);

namespace App\Console;

use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Owner\Digest;
use App\Mail\Sending\MessageSender;
use App\Webhooks\Webhooks;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class SendDueMessages extends Command
{
    protected $signature = 'lantern:due';

    protected $description = 'Queue the messages that are due, and free those a dead worker held';

    public function handle(MessageSender $postman, Broadcasting $broadcasting, Webhooks $hooks, Digest $digest): int
    {
        $now = CarbonImmutable::now();
        $broadcasting->tick($now);
        $hooks->queueDue();
        $digest->tick($now);
        $this->line($postman->queueDue().' queued');

        return self::SUCCESS;
    }
}
