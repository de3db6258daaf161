<?php

declare(strict_types=1);

namespace App\Webhooks;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Models\Business;
use App\Models\CallState;
use App\Models\HookCall;
use App\Models\Person;
use App\Models\Submission;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Journey\Effects\CallAddress;
use Lantern\Core\Journey\Effects\CallHook as CallHookEffect;
use Lantern\Core\Journey\Effects\Effect;
use Throwable;

/**
 * Tells an owner's own web addresses what happened. Each call is a row: claimed before it is made, tried again with
 * ever longer waits, and kept with what was sent and answered. The signature is HMAC-SHA256 over time, dot and body
 * with the owner's secret, written `t=…,v1=…` in the header `Lantern-Signature`; see docs/formats/webhook.md.
 */
final readonly class Webhooks implements CarriesOut, DueWork
{
    /** Minutes to wait after the first, second … try that failed. */
    public const BACK_OFF = [1, 5, 30, 120, 600, 1440];

    public const MOST_TRIES = 7;

    private const STALE_SECONDS = 120;

    public function __construct(private Outgoing $outgoing)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof CallAddress) {
            $this->tellOfRule($effect, $context);
        }
        if ($effect instanceof CallHookEffect && $context->submission !== null) {
            $this->call($context->submission->funnel->business, $effect->url, 'form.filled-in', $context->submission);
        }
    }

    /** That a rule has acted for somebody. */
    private function tellOfRule(CallAddress $effect, EffectContext $context): void
    {
        $person = $context->person;
        $call = HookCall::query()->create(['business_id' => $person->business_id, 'submission_id' => null, 'person_id' => $person->id,
            'url' => $effect->url, 'due_at' => CarbonImmutable::now(), 'queued_at' => CarbonImmutable::now(),
            'payload' => json_encode(['event' => 'rule.acted', 'at' => Instant::json($context->at), 'rule' => $effect->rule,
                'funnel' => $context->funnel === null ? null : ['id' => $context->funnel->id, 'name' => $context->funnel->name],
                'person' => self::person($person),
            ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)]);
        CallHook::dispatch($call->id);
    }

    /** @return array<string, string|null> */
    private static function person(Person $person): array
    {
        return ['id' => $person->id, 'email' => $person->email, 'firstName' => $person->first_name,
            'lastName' => $person->last_name, 'timezone' => $person->timezone];
    }

    public function call(Business $business, string $url, string $event, Submission $submission): HookCall
    {
        $person = $submission->person;
        $call = HookCall::query()->create(['business_id' => $business->id, 'submission_id' => $submission->id, 'url' => $url,
            'due_at' => CarbonImmutable::now(), 'queued_at' => CarbonImmutable::now(),
            'payload' => json_encode([
                'event' => $event, 'at' => Instant::json($submission->submitted_at), 'submission' => $submission->id,
                'funnel' => ['id' => $submission->funnel_id, 'name' => $submission->funnel->name], 'form' => $submission->form_id,
                'person' => self::person($person),
                'answers' => (object) $submission->answers, 'source' => (object) ($submission->source ?? []),
                'consent' => ['words' => $submission->consent_words, 'given' => $submission->consented,
                    'marketing' => $submission->marketing],
            ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)]);
        CallHook::dispatch($call->id);

        return $call;
    }

    /** Makes a call that waits, once, however many workers come to it. */
    public function make(string $id): void
    {
        $now = CarbonImmutable::now();
        $claimed = HookCall::query()->where('id', $id)->where('state', CallState::Waiting)->where('due_at', '<=', Instant::sql($now))
            ->update(['state' => CallState::Calling, 'claimed_at' => Instant::sql($now), 'attempts' => DB::raw('attempts + 1')]);
        if ($claimed === 0) {
            return;
        }
        $call = HookCall::query()->findOrFail($id);
        $business = Business::query()->findOrFail($call->business_id);
        try {
            [$status, $words] = $this->outgoing->post($call->url, $call->payload, [
                'Lantern-Signature' => self::signature(self::secret($business), $call->payload, $now->getTimestamp()),
                'Lantern-Call' => $call->id, 'User-Agent' => 'UpbeatLantern',
            ]);
            $this->note($call, $status, $words);
        } catch (NotCalled $e) {
            $this->note($call, null, $e->getMessage());
        } catch (Throwable $e) {
            $this->note($call, null, 'It could not be reached: '.mb_substr($e->getMessage(), 0, 400));
        }
    }

    private function note(HookCall $call, ?int $status, string $answer): void
    {
        $done = $status !== null && $status >= 200 && $status < 300;
        $again = ! $done && $call->attempts < self::MOST_TRIES;
        $call->forceFill(['state' => $done ? CallState::Done : ($again ? CallState::Waiting : CallState::Failed), 'status' => $status,
            'answer' => $answer, 'claimed_at' => null, 'queued_at' => null,
            'due_at' => $again ? CarbonImmutable::now()->addMinutes(self::BACK_OFF[min($call->attempts, count(self::BACK_OFF)) - 1] ?? 1)
                : $call->due_at])->save();
    }

    /** The same payload once more, as a call of its own. */
    public function replay(HookCall $call): HookCall
    {
        $again = HookCall::query()->create(['business_id' => $call->business_id, 'submission_id' => $call->submission_id,
            'person_id' => $call->person_id, 'url' => $call->url, 'payload' => $call->payload, 'due_at' => CarbonImmutable::now(),
            'queued_at' => CarbonImmutable::now()]);
        CallHook::dispatch($again->id);

        return $again;
    }

    public function task(): Task
    {
        return Task::Hooks;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(Instant::carbon(DB::table('hook_calls')->where('state', CallState::Waiting->value)->min('due_at')),
            Instant::carbon(DB::table('hook_calls')->where('state', CallState::Calling->value)->min('claimed_at'))
                ?->addSeconds(self::STALE_SECONDS));
    }

    public function work(CarbonImmutable $now): int
    {
        return $this->queueDue();
    }

    /** @return int how many calls were queued that are due, and not with a worker */
    public function queueDue(): int
    {
        $now = CarbonImmutable::now();
        HookCall::query()->where('state', CallState::Calling)->where('claimed_at', '<', Instant::sql($now->subSeconds(self::STALE_SECONDS)))
            ->update(['state' => CallState::Waiting, 'queued_at' => null]);
        $ids = HookCall::query()->where('state', CallState::Waiting)->where('due_at', '<=', Instant::sql($now))
            // One that is queued is not queued again while an address that answers slowly holds the worker; a job that was lost is, after
            // a while.
            ->where(fn ($q) => $q->whereNull('queued_at')->orWhere('queued_at', '<', Instant::sql($now->subHour())))->orderBy('due_at')
            ->limit(200)->pluck('id')->all();
        HookCall::query()->whereIn('id', $ids)->update(['queued_at' => Instant::sql($now)]);
        foreach ($ids as $id) {
            CallHook::dispatch((string) $id);
        }

        return count($ids);
    }

    public static function signature(string $secret, string $body, int $time): string
    {
        return "t={$time},v1=".hash_hmac('sha256', "{$time}.{$body}", $secret);
    }

    /** The secret of a business, made when it is first needed. */
    public static function secret(Business $business): string
    {
        if ($business->hook_secret === null) {
            $business->forceFill(['hook_secret' => 'lantern_'.Str::random(40)])->save();
        }

        return (string) $business->hook_secret;
    }
}
