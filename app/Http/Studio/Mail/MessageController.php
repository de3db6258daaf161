<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Http\Studio\Json\MessageJson;
use App\Http\Studio\StudioController;
use App\Mail\Emails\EmailWriter;
use App\Mail\Sending\Eml;
use App\Mail\Sending\Feedback;
use App\Mail\Sending\MailServers;
use App\Mail\Sending\OutboxBehaviour;
use App\Models\Message;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The outbox: every message, as its reader sees it. */
final class MessageController extends StudioController
{
    public function index(Request $request): JsonResponse
    {
        $search = Input::search($request);
        $like = Input::pattern($search);
        $now = Instant::sql(CarbonImmutable::now());
        $state = MessageState::tryFrom(Input::text($request, 'state'));
        $messages = Message::query()->select(['id', 'name', 'kind', 'to_address', 'subject', 'state', 'due_at', 'sent_at', 'trouble',
            'attempts', 'person_id', 'funnel_id', 'opened_at', 'clicked_at', 'lost_why'])
            ->where('business_id', $this->user()->business_id)
            ->when($state, fn ($q, MessageState $s) => $q->where('state', $s))
            ->when(Input::text($request, 'broadcast') !== '',
                fn ($q) => $q->where('broadcast_id', Input::text($request, 'broadcast')))
            ->when(Input::text($request, 'email') !== '', fn ($q) => $q->where('email_id', Input::text($request, 'email')))
            ->when($search !== '', fn ($q) => $q->where(fn ($q) => $q->whereRaw("folded(to_address) like ? escape '\\'", [$like])
                ->orWhereRaw("folded(subject) like ? escape '\\'", [$like])->orWhereRaw("folded(name) like ? escape '\\'", [$like])))
            // What has happened comes before what is yet to come, each with the nearest first.
            ->orderByRaw("state = 'waiting' and due_at > ?", [$now])
            ->orderByRaw('case when due_at > ? then due_at end', [$now])->orderByDesc('due_at')->orderBy('id')
            ->paginate(Input::number($request, 'perPage', 25, 1, 100));
        $states = DB::table('messages')->where('business_id', $this->user()->business_id)->groupBy('state')
            ->selectRaw('state, count(*) as n')->pluck('n', 'state');

        return response()->json(['total' => $messages->total(), 'page' => $messages->currentPage(), 'pages' => $messages->lastPage(),
            'states' => (object) $states->all(), 'messages' => array_map(MessageJson::of(...), $messages->items())]);
    }

    public function show(string $message, EmailWriter $writer): JsonResponse
    {
        if (! Ids::is($message)) {
            throw new NotFoundHttpException;
        }
        $found = Message::query()->with(['person.business', 'business', 'funnel.liveVersion'])
            ->where('business_id', $this->user()->business_id)->findOrFail($message);
        // What was sent is shown as it was sent; what still waits as it would be sent now.
        $written = $found->html === null ? $writer->write($found) : null;
        $mime = DB::table('outbox')->where('message_id', $found->id)->value('mime');

        return response()->json(['subject' => $written->subject ?? $found->subject, 'html' => $written->html ?? $found->html,
            'text' => $written->text ?? $found->text,
            'from' => "{$found->business->sender_name} <{$found->business->sender_address}>", 'funnel' => $found->funnel?->name,
            'person' => (string) $found->person?->fullName(), 'mime' => is_string($mime) ? $mime : null] + MessageJson::of($found));
    }

    /** One message as EML. */
    public function eml(string $message): Response
    {
        $found = $this->message($message);
        abort_if($found->sent_at === null, 404);

        return response(Eml::of($found), 200, ['Content-Type' => 'message/rfc822',
            'Content-Disposition' => 'attachment; filename="'.(string) preg_replace('/[^A-Za-z0-9._-]+/', '-', Eml::name($found)).'"']);
    }

    /** All that was sent, as a mailbox. */
    public function mbox(Request $request): StreamedResponse
    {
        $person = Input::text($request, 'person');
        $query = Message::query()->with('business')->where('business_id', $this->user()->business_id)->whereNotNull('sent_at')
            ->when($person !== '', fn ($q) => $q->where('person_id', $person));

        return response()->streamDownload(function () use ($query): void {
            foreach ($query->lazyById(200) as $message) {
                echo Eml::mbox($message);
            }
        }, 'outbox.mbox', ['Content-Type' => 'application/mbox']);
    }

    /** How the outbox behaves, to see what happens on a bad day. */
    public function mood(): JsonResponse
    {
        return response()->json(['isOutbox' => MailServers::isOutbox($this->business()->id)] + OutboxBehaviour::now()->toArray());
    }

    public function setMood(Request $request): JsonResponse
    {
        $mood = OutboxBehaviour::read(Shape::of($request->only(['slowMs', 'failingUntil', 'bouncing', 'complaining'])));
        $mood->keep();

        return response()->json(['isOutbox' => MailServers::isOutbox($this->business()->id)] + $mood->toArray());
    }

    /** A message that was sent comes back, or its reader reports it: what a provider would tell later. */
    public function feedback(Request $request, string $message, Feedback $feedback): JsonResponse
    {
        $found = $this->message($message);
        if (! MailServers::isOutbox($this->business()->id) || $found->state !== MessageState::Sent || $found->person_id === null) {
            throw Invalid::at('message', 'Only what the outbox has sent can come back from it.');
        }
        match (Input::text($request, 'what')) {
            'bounce' => $feedback->bounced($found, '550 5.1.1 The outbox was told that this mailbox does not exist.'),
            'complain' => $feedback->complained($found),
            'open' => $feedback->opened($found, CarbonImmutable::now()),
            default => throw Invalid::at('what', 'Choose what happens.'),
        };

        return response()->json(MessageJson::of($found->refresh()));
    }

    /** Sends a message again that failed. */
    public function retry(string $message): JsonResponse
    {
        $found = $this->message($message);
        Message::query()->where('id', $found->id)->where('state', MessageState::Failed)
            ->update(['state' => MessageState::Waiting, 'attempts' => 0, 'queued_at' => null, 'claimed_at' => null, 'trouble' => null,
                'due_at' => Instant::sql(CarbonImmutable::now())]);

        return response()->json(MessageJson::of($found->refresh()));
    }

    private function message(string $id): Message
    {
        return Ids::is($id) ? Message::query()->with(['person.business', 'business'])->where('business_id', $this->user()->business_id)
            ->where('id', $id)->firstOrFail() : throw new NotFoundHttpException;
    }
}
