<?php

declare(strict_types=1);

namespace App\Console;

use App\Hooks\Hooks;
use App\Mail\Broadcasting;
use App\Mail\Digest;
use App\Mail\Postman;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class SendDueMessages extends Command
{
    protected $signature = 'lantern:due';

    protected $description = 'Queue the messages that are due, and free those a dead worker held';

    public function handle(Postman $postman, Broadcasting $broadcasting, Hooks $hooks, Digest $digest): int
    {
        $now = CarbonImmutable::now();
        $broadcasting->tick($now);
        $hooks->queueDue();
        $digest->tick($now);
        $this->line($postman->queueDue().' queued');

        return self::SUCCESS;
    }
}
