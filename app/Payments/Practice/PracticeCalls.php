<?php

declare(strict_types=1);

namespace App\Payments\Practice;

use App\Support\DueWork;
use App\Support\Hosts;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Lantern\Core\Agenda\Task;

/** Sends the calls of practice payments to us, signed, by the way that a provider's calls come. One that is not taken is sent again. */
final readonly class PracticeCalls implements DueWork
{
    private const TRIES = 8;

    private const AT_ONCE = 50;

    public function __construct(private PracticeBank $bank, private Kernel $application)
    {
    }

    public function task(): Task
    {
        return Task::ProviderCalls;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first($this->bank->next(), Instant::carbon(PracticeBank::ledger()->table('calls')->whereNull('sent_at')
            ->where('tries', '<', self::TRIES)->min('due_at')));
    }

    public function work(CarbonImmutable $now): int
    {
        return $this->sendDue();
    }

    /** @return int how many were taken */
    public function sendDue(): int
    {
        $this->bank->letTimePass();
        $taken = 0;
        $calls = PracticeBank::ledger()->table('calls')->whereNull('sent_at')->where('tries', '<', self::TRIES)
            ->where('due_at', '<=', Instant::sql(CarbonImmutable::now()))->orderBy('id')->limit(self::AT_ONCE)->get();
        foreach ($calls as $call) {
            $now = CarbonImmutable::now();
            $body = json_encode(['id' => $call->event, 'type' => $call->type, 'key' => $call->key], JSON_THROW_ON_ERROR);
            $at = $now->getTimestamp();
            $seal = $call->forged ? str_repeat('0', 64) : PracticePayments::seal($body, $at);
            $request = Request::create(Hosts::site().'/pay/calls/'.PracticePayments::name(), 'POST', [], [], [],
                ['CONTENT_TYPE' => 'application/json', 'HTTP_PRACTICE_SIGNATURE' => "{$at}.{$seal}"], $body);
            $status = $this->application->handle($request)->getStatusCode();
            $done = $status < 300 || $call->forged;
            PracticeBank::ledger()->table('calls')->where('id', $call->id)->update(['tries' => $call->tries + 1, 'status' => $status,
                'sent_at' => $done ? Instant::sql($now) : null, 'due_at' => Instant::sql($now->addSeconds(10 * 2 ** $call->tries))]);
            $taken += $done ? 1 : 0;
        }

        return $taken;
    }
}
