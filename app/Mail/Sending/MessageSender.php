<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Mail\Emails\EmailWriter;
use App\Mail\Emails\KindsOfMessages;
use App\Models\Business;
use App\Models\Message;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Support\Invalid;
use Symfony\Component\Mime\Exception\ExceptionInterface as MimeException;
use Throwable;

/**
 * Takes messages to the provider. A message is claimed before it is sent, so that two workers never send the same
 * one; a claim left behind by a worker that died is released after a while, and the provider knows the message
 * again by its id.
 */
final readonly class MessageSender implements DueWork
{
    /** Minutes to wait after the first, second … temporary trouble. */
    private const BACK_OFF = [1, 5, 15, 60, 240];

    public function __construct(private Provider $provider, private Gate $gate, private EmailWriter $writer, private Feedback $feedback,
        private Planner $planner, private KindsOfMessages $kinds)
    {
    }

    /** @return Message|null what became of it; nothing where somebody else sends it, or it is not due */
    public function send(string $id): ?Message
    {
        $now = CarbonImmutable::now();
        $claimed = Message::query()->where('id', $id)->where('state', MessageState::Waiting)->where('due_at', '<=', Instant::sql($now))
            ->update(['state' => MessageState::Sending, 'claimed_at' => Instant::sql($now), 'attempts' => DB::raw('attempts + 1')]);
        if ($claimed === 0) {
            return null;
        }
        $message = Message::query()->with(['person', 'business', 'funnel.liveVersion'])->findOrFail($id);
        $message->person?->setRelation('business', $message->business);
        $this->handOver($message, $now);

        return $message;
    }

    /** A message that is claimed: it goes out, waits for later, or ends here. */
    private function handOver(Message $message, CarbonImmutable $now): void
    {
        $verdict = $this->gate->verdict($message, $now);
        if ($verdict->tell !== null) {
            $this->planner->planLateSession($message, $verdict->tell, $now);
        }
        if ($verdict->cancel !== null) {
            $this->end($message, MessageState::Cancelled, $verdict->cancel);

            return;
        }
        if ($verdict->later !== null) {
            // It was no try: nothing was handed over.
            $message->forceFill(['state' => MessageState::Waiting, 'queued_at' => null, 'claimed_at' => null,
                'attempts' => $message->attempts - 1, 'due_at' => $verdict->later])->save();

            return;
        }
        try {
            $email = $this->writer->write($message);
            $mime = $email?->mime($message);
        } catch (Invalid|MimeException $e) {
            $this->end($message, MessageState::Failed, 'This message cannot be written: '.$e->getMessage());

            return;
        } catch (Throwable $e) {
            report($e);
            $this->later($message, 'Writing this message went wrong.');

            return;
        }
        if ($email === null || $mime === null) {
            $this->end($message, MessageState::Cancelled, SequenceCheck::REMOVED);

            return;
        }
        $pause = (float) config('lantern.messages.pause_before_handover');
        if ($pause > 0) {
            usleep((int) ($pause * 1_000_000));
        }
        try {
            $this->provider->handOver($message->id, $message->business_id, $message->to_address, $mime);
        } catch (PermanentTrouble $e) {
            $this->end($message, MessageState::Failed, $e->getMessage());
            if ($e->badAddress) {
                $this->feedback->bounced($message, $e->getMessage());
            }

            return;
        } catch (TemporaryTrouble $e) {
            $this->later($message, $e->getMessage());

            return;
        } catch (Throwable $e) {
            // Whatever a library throws, the message is tried again and at last given up.
            report($e);
            $this->later($message, 'Handing this message over went wrong.');

            return;
        }
        $sent = CarbonImmutable::now();
        DB::transaction(function () use ($message, $email, $sent): void {
            $this->kinds->kindOf($message)->sent($message, $sent);
            $message->forceFill(['state' => MessageState::Sent, 'sent_at' => $sent, 'trouble' => null,
                'subject' => $email->subject, 'html' => $email->html, 'text' => $email->text])->save();
        });
    }

    public function task(): Task
    {
        return Task::Messages;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(Instant::carbon(DB::table('messages')->where('state', MessageState::Waiting->value)->min('due_at')),
            Instant::carbon(DB::table('messages')->where('state', MessageState::Sending->value)->min('claimed_at'))
                ?->addSeconds((int) config('lantern.messages.stale_after')));
    }

    public function work(CarbonImmutable $now): int
    {
        return $this->queueDue();
    }

    /**
     * Queues what is due and not queued yet, and frees what a dead worker held.
     *
     * @return int how many messages were queued
     */
    public function queueDue(int $most = 500): int
    {
        $now = CarbonImmutable::now();
        $stale = $now->subSeconds((int) config('lantern.messages.stale_after'));
        // What kills its worker again and again is not tried for ever.
        Message::query()->where('state', MessageState::Sending)->where('claimed_at', '<', Instant::sql($stale))
            ->where('attempts', '>=', (int) config('lantern.messages.attempts'))
            ->update(['state' => MessageState::Failed, 'trouble' => 'Every try to send it was broken off in the middle.']);
        Message::query()->where('state', MessageState::Sending)->where('claimed_at', '<', Instant::sql($stale))
            ->update(['state' => MessageState::Waiting, 'queued_at' => null, 'claimed_at' => null]);

        return DB::transaction(function () use ($now, $most): int {
            $ids = [];
            foreach (Business::query()->pluck('id') as $business) {
                array_push($ids, ...$this->due((int) $business, $now, $most));
            }
            foreach ($ids as $id) {
                SendMessage::dispatch($id);
            }
            foreach (array_chunk($ids, 500) as $some) {
                Message::query()->whereIn('id', $some)->update(['queued_at' => Instant::sql($now)]);
            }

            return count($ids);
        });
    }

    /** How many more messages of a kind may be queued now: what was queued within the last minute has used up its share of the minute. */
    public static function quotaLeft(int $business, CarbonImmutable $now, MessageKind $kind): int
    {
        $used = Message::query()->where('business_id', $business)->where('queued_at', '>', Instant::sql($now->subMinute()))->count();
        $all = (int) Business::query()->where('id', $business)->value('messages_per_minute');

        return max(0, max(1, intdiv($all * $kind->share(), 100)) - $used);
    }

    /** @return list<string> ids of what is due, what was asked for first, broadcasts last */
    private function due(int $business, CarbonImmutable $now, int $most): array
    {
        $due = fn (array $kinds, int $room): array => $room < 1 ? []
            : Message::query()->where('business_id', $business)->where('state', MessageState::Waiting)
                ->where('due_at', '<=', Instant::sql($now))
                ->whereIn('kind', $kinds)
            // A job that was lost with its worker is queued again after a while; the claim makes that harmless.
                ->where(fn ($q) => $q->whereNull('queued_at')->orWhere('queued_at', '<', Instant::sql($now->subMinutes(10))))
                ->where(fn ($q) => $q->whereNull('sequence_id')
                    ->orWhereNotIn('sequence_id', DB::table('sequence_pauses')->select('sequence_id')))
                ->orderBy('due_at')->limit($room)->pluck('id')->map(fn ($id): string => (string) $id)->all();
        $ids = [];
        foreach (MessageKind::byShare() as $kinds) {
            array_push($ids, ...$due($kinds, min($most, self::quotaLeft($business, $now, $kinds[0])) - count($ids)));
        }

        return $ids;
    }

    private function later(Message $message, string $trouble): void
    {
        if ($message->attempts >= (int) config('lantern.messages.attempts')) {
            $this->end($message, MessageState::Failed, $trouble);

            return;
        }
        $wait = self::BACK_OFF[min($message->attempts, count(self::BACK_OFF)) - 1] ?? 1;
        $message->forceFill(['state' => MessageState::Waiting, 'queued_at' => null, 'claimed_at' => null,
            'trouble' => mb_substr($trouble, 0, 500),
            'due_at' => CarbonImmutable::now()->addMinutes($wait)])->save();
    }

    private function end(Message $message, MessageState $state, string $why): void
    {
        $message->forceFill(['state' => $state, 'trouble' => mb_substr($why, 0, 500)])->save();
    }
}
