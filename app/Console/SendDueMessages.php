<?php

declare(strict_types=1);

namespace App\Console;

use App\Mail\Postman;
use Illuminate\Console\Command;

final class SendDueMessages extends Command
{
    protected $signature = 'lantern:due';

    protected $description = 'Queue the messages that are due, and free those a dead worker held';

    public function handle(Postman $postman): int
    {
        $this->line($postman->queueDue().' queued');

        return self::SUCCESS;
    }
}
