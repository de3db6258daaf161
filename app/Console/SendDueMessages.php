<?php

declare(strict_types=1);

namespace App\Console;

use App\Automation\RuleDates;
use App\Automation\RuleWork;
use App\Deadlines\CloseDeadlines;
use App\Domains\DomainLooks;
use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Owner\Digest;
use App\Mail\Owner\ReaderDigest;
use App\Mail\Owner\WarmNotices;
use App\Mail\Owner\WeeklyReport;
use App\Mail\Sending\MessageSender;
use App\Orders\Receipts;
use App\Orders\Reconciling;
use App\Payments\Practice\PracticeCalls;
use App\Publishing\OpeningHours;
use App\Publishing\SplitTests;
use App\Results\CountMonths;
use App\Serving\TakeWrittenDown;
use App\Support\DueWork;
use App\Support\OneAtATime;
use App\Warmth\Scores;
use App\Webhooks\Webhooks;
use App\Webinars\AttendanceResults;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Contracts\Container\Container;
use Lantern\Core\Agenda\Agenda;
use Lantern\Core\Agenda\NextMoment;
use Lantern\Core\Agenda\Task;

/** Asks all work that comes due by itself when it has something to do, and has what is due done, in the order of the core. */
final class SendDueMessages extends Command
{
    /** @var list<class-string<DueWork>> */
    public const WORK = [TakeWrittenDown::class,
        OpeningHours::class, CloseDeadlines::class, AttendanceResults::class, SplitTests::class, CountMonths::class,
        Scores::class, RuleDates::class, RuleWork::class, Broadcasting::class, Digest::class, ReaderDigest::class, WeeklyReport::class,
        WarmNotices::class, Webhooks::class,
        DomainLooks::class, PracticeCalls::class, Reconciling::class, Receipts::class, MessageSender::class];

    protected $signature = 'lantern:due';

    protected $description = 'Queue the messages that are due, finish payments that are open, and free what a dead worker held';

    public function handle(Container $container): int
    {
        $queued = OneAtATime::do('due', fn (): int => self::work(array_map(
            fn (string $class): DueWork => $container->make($class), self::WORK), CarbonImmutable::now()));
        $this->line($queued === null ? 'Another process is at it.' : "{$queued} queued");

        return self::SUCCESS;
    }

    /**
     * @param  list<DueWork>  $all
     * @return int how many messages were queued
     */
    private static function work(array $all, CarbonImmutable $now): int
    {
        $done = [];
        // What was just done may make due what comes after it: so all are asked again after each.
        while (($task = self::agenda($all, array_keys($done), $now)->due($now)[0] ?? null) !== null) {
            foreach ($all as $work) {
                if ($work->task() === $task) {
                    $done[$task->name] = $work->work($now);
                }
            }
        }

        return $done[Task::Messages->name] ?? 0;
    }

    /**
     * @param  list<DueWork>  $all
     * @param  list<string>  $done  names of the tasks that had their turn
     */
    private static function agenda(array $all, array $done, CarbonImmutable $now): Agenda
    {
        $moments = [];
        foreach ($all as $work) {
            $next = in_array($work->task()->name, $done, true) ? null : $work->next($now);
            $moments[] = $next === null ? null : new NextMoment($work->task(), $next);
        }

        return new Agenda($moments);
    }
}
