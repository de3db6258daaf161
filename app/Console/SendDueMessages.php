<?php

declare(strict_types=1);

namespace App\Console;

use App\Deadlines\CloseDeadlines;
use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Owner\Digest;
use App\Mail\Sending\MessageSender;
use App\Orders\Receipts;
use App\Orders\Reconciling;
use App\Payments\Practice\PracticeCalls;
use App\Publishing\OpeningHours;
use App\Support\OneAtATime;
use App\Webhooks\Webhooks;
use App\Webinars\AttendanceResults;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class SendDueMessages extends Command
{
    protected $signature = 'lantern:due';

    protected $description = 'Queue the messages that are due, finish payments that are open, and free what a dead worker held';

    public function handle(MessageSender $postman, Broadcasting $broadcasting, Webhooks $hooks, Digest $digest,
        Reconciling $reconciling, Receipts $receipts, PracticeCalls $calls, OpeningHours $hours, CloseDeadlines $deadlines,
        AttendanceResults $webinars): int
    {
        $queued = OneAtATime::do('due', function () use ($postman, $broadcasting, $hooks, $digest, $reconciling, $receipts, $calls, $hours,
            $deadlines, $webinars): int {
            $now = CarbonImmutable::now();
            $hours->tick($now);
            $deadlines->tick($now);
            $webinars->tick($now);
            $broadcasting->tick($now);
            $hooks->queueDue();
            $digest->tick($now);
            $calls->sendDue();
            $reconciling->run();
            $receipts->issueDue();

            return $postman->queueDue();
        });
        $this->line($queued === null ? 'Another process is at it.' : "{$queued} queued");

        return self::SUCCESS;
    }
}
