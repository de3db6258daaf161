<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Mail\LetterWriter;
use App\Models\Message;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The outbox: every message, as its reader sees it. */
final class MessageController extends StudioController
{
    public function index(Request $request): JsonResponse
    {
        $search = mb_strtolower(trim($request->string('search')->toString()));
        $like = '%'.addcslashes($search, '%_\\').'%';
        $now = Instant::sql(CarbonImmutable::now());
        $state = $request->string('state')->toString();
        $messages = Message::query()->select(['id', 'name', 'kind', 'to_address', 'subject', 'state', 'due_at', 'sent_at', 'trouble', 'attempts', 'person_id', 'funnel_id'])
            ->where('business_id', $this->user()->business_id)
            ->when(in_array($state, ['waiting', 'sending', 'sent', 'failed', 'cancelled'], true), fn ($q) => $q->where('state', $state))
            ->when($search !== '', fn ($q) => $q->where(fn ($q) => $q->whereRaw("lower(to_address) like ? escape '\\'", [$like])
                ->orWhereRaw("lower(subject) like ? escape '\\'", [$like])->orWhereRaw("lower(name) like ? escape '\\'", [$like])))
            // What has happened comes before what is yet to come, each with the nearest first.
            ->orderByRaw("state = 'waiting' and due_at > ?", [$now])
            ->orderByRaw('case when due_at > ? then due_at end', [$now])->orderByDesc('due_at')->orderBy('id')
            ->paginate(min(100, max(1, $request->integer('perPage', 25))));
        $states = DB::table('messages')->where('business_id', $this->user()->business_id)->groupBy('state')->selectRaw('state, count(*) as n')->pluck('n', 'state');

        return response()->json(['total' => $messages->total(), 'page' => $messages->currentPage(), 'pages' => $messages->lastPage(),
            'states' => (object) $states->all(), 'messages' => array_map(Json::message(...), $messages->items())]);
    }

    public function show(string $message, LetterWriter $writer): JsonResponse
    {
        if (! Ids::is($message)) {
            throw new NotFoundHttpException;
        }
        $found = Message::query()->with(['person.business', 'business', 'funnel.liveVersion'])->where('business_id', $this->user()->business_id)->findOrFail($message);
        // What was sent is shown as it was sent; what still waits as it would be sent now.
        $letter = $found->html === null ? $writer->write($found) : null;
        $mime = DB::table('outbox')->where('message_id', $found->id)->value('mime');

        return response()->json(['subject' => $letter->subject ?? $found->subject, 'html' => $letter->html ?? $found->html, 'text' => $letter->text ?? $found->text,
            'from' => "{$found->business->sender_name} <{$found->business->sender_address}>", 'funnel' => $found->funnel?->name,
            'person' => (string) $found->person?->fullName(), 'mime' => is_string($mime) ? $mime : null] + Json::message($found));
    }
}
