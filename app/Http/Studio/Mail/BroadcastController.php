<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Http\Studio\Json\EmailSampleJson;
use App\Http\Studio\StudioController;
use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Mail\Sending\Planner;
use App\Models\Broadcast;
use App\Models\Person;
use App\People\Fields\OwnFields;
use App\People\Segments\PeopleKit;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Emails\BroadcastPlan;
use Lantern\Core\Emails\BroadcastState;
use Lantern\Core\Emails\BroadcastTiming;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Emails to many at once: written, checked, tried, sent now or at a time, and watched. */
final class BroadcastController extends StudioController
{
    public function __construct(private readonly Broadcasting $broadcasting, private readonly EmailWriter $writer)
    {
    }

    public function index(): JsonResponse
    {
        $found = Broadcast::query()->where('business_id', $this->user()->business_id)->whereNull('deleted_at')->orderByDesc('created_at')
            ->limit(100)->get();
        $numbers = $this->broadcasting->numbers(array_values($found->map(fn (Broadcast $b): string => $b->id)->all()));

        return response()->json(['broadcasts' => $found->map(fn (Broadcast $b): array => $this->row($b)
            + ['numbers' => $numbers[$b->id] ?? null])->all()]);
    }

    public function store(): JsonResponse
    {
        $broadcast = Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $this->user()->business_id,
            'name' => 'Email of '.CarbonImmutable::now($this->business()->timezone)->format('j F'),
            'body' => '<p>Hello {{first_name|there}},</p><p></p><p>Warmly,<br>'.e($this->business()->sender()->host()).'</p>']);

        return response()->json($this->json($broadcast), 201);
    }

    public function show(string $broadcast): JsonResponse
    {
        return response()->json($this->json($this->broadcast($broadcast)));
    }

    public function update(Request $request, string $broadcast): JsonResponse
    {
        return DB::transaction(function () use ($request, $broadcast): JsonResponse {
            $found = $this->broadcast($broadcast);
            $this->sameRevision($request, $found->revision);
            $given = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:120'],
                'subject' => ['sometimes', 'string', 'max:200'], 'body' => ['sometimes', 'string', 'max:50000'],
                'audience' => ['sometimes', 'array'], 'settings' => ['sometimes', 'array'],
                'funnel' => ['sometimes', 'nullable', 'string']],
                ['name.required' => 'Please give the email a name. Only you will see it.',
                    'subject.max' => 'A subject has 200 characters at most; mail programs show about 60.',
                    'body.max' => 'This email is too long to send.']);
            if ($found->state !== BroadcastState::Draft && array_diff(array_keys($given), ['name']) !== []) {
                throw Invalid::at('state', 'This email is on its way; only its name can still be changed.');
            }
            if (isset($given['subject'])) {
                $given['subject'] = RichText::line($given['subject']);
            }
            if (isset($given['body'])) {
                $given['body'] = RichText::email($given['body'])->html;
            }
            if (isset($given['audience'])) {
                $given['audience'] = Group::fromArray($given['audience'])->toArray();
            }
            if (isset($given['settings'])) {
                foreach (['otherSubject', 'againSubject'] as $subject) {
                    $given['settings'][$subject] = is_string($given['settings'][$subject] ?? null)
                        ? RichText::line($given['settings'][$subject]) : '';
                }
                $given['settings'] = BroadcastPlan::fromShape(Shape::of($given['settings'], 'settings'))->toArray();
            }
            if (array_key_exists('funnel', $given)) {
                $given['funnel_id'] = $given['funnel'] === null || $given['funnel'] === '' ? null : $this->funnel($given['funnel'])->id;
                unset($given['funnel']);
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();

            return response()->json($this->json($found->unsetRelations()));
        });
    }

    public function duplicate(string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        $copy = Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $found->business_id, 'funnel_id' => $found->funnel_id,
            'name' => mb_substr($found->name, 0, 113).' (copy)',
            'subject' => $found->subject, 'body' => $found->body, 'audience' => $found->audience, 'settings' => $found->settings]);

        return response()->json($this->json($copy), 201);
    }

    public function destroy(string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        if (in_array($found->state, [BroadcastState::Testing, BroadcastState::Sending], true)) {
            throw Invalid::at('state', 'This email is on its way. Stop it first.');
        }
        $found->forceFill(['deleted_at' => CarbonImmutable::now(),
            'state' => $found->state === BroadcastState::Scheduled ? BroadcastState::Draft : $found->state])->save();

        return response()->json(['id' => $found->id]);
    }

    public function restore(string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        $found->forceFill(['deleted_at' => null])->save();

        return response()->json($this->json($found));
    }

    /** Now, or at a time: from then on it is not changed any more. */
    public function send(Request $request, string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        $now = CarbonImmutable::now();
        $at = Input::text($request, 'at');
        $sendAt = $now;
        if ($at !== '') {
            if (! WallClock::isMoment($at)) {
                throw Invalid::at('at', 'Choose a day and a time.');
            }
            $sendAt = CarbonImmutable::parse($at, $this->business()->timezone);
            $refusal = BroadcastTiming::refusal($sendAt, $now);
            if ($refusal !== null) {
                throw Invalid::at('at', $refusal);
            }
        }
        $findings = $this->findings($found, $sendAt);
        if (GoLiveCheck::blocked($findings)) {
            throw new HttpResponseException(response()
                ->json(['message' => 'Something still stands in the way of sending this email.',
                    'findings' => array_map(fn (Finding $f): array => $f->toArray(), $findings)], 422));
        }
        if (Broadcast::query()->where('id', $found->id)->where('state', BroadcastState::Draft)
            ->update(['state' => BroadcastState::Scheduled, 'send_at' => Instant::sql($sendAt)]) === 0) {
            throw Invalid::at('state', 'This email is on its way already.');
        }
        if ($at === '') {
            $this->broadcasting->start($found->refresh(), $now);
        }

        return response()->json($this->json($found->refresh()));
    }

    /** Takes a scheduled email back to be changed; of one that is on its way, stops the rest. */
    public function stop(string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        if (Broadcast::query()->where('id', $found->id)->where('state', BroadcastState::Scheduled)
            ->update(['state' => BroadcastState::Draft, 'send_at' => null]) === 0) {
            $this->broadcasting->stop($found);
        }

        return response()->json($this->json($found->refresh()));
    }

    public function check(string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);

        return response()->json(['findings' => array_map(fn (Finding $f): array => $f->toArray(),
            $this->findings($found, $found->send_at ?? CarbonImmutable::now()))]);
    }

    /** The email as somebody of the list reads it, or a made-up reader. */
    public function sample(Request $request, string $broadcast): JsonResponse
    {
        $found = $this->broadcast($broadcast);

        return response()->json(EmailSampleJson::of($this->writer, $this->business(),
            EmailSource::ofBroadcast($found, $this->business(), Input::text($request, 'variant')), $this->reader($request)));
    }

    public function test(Request $request, string $broadcast, Planner $planner): JsonResponse
    {
        $found = $this->broadcast($broadcast);
        $reader = $this->reader($request);
        $id = $planner->planTest($this->business(), $found->funnel_id,
            $this->writer->forPerson($this->business(), EmailSource::ofBroadcast($found, $this->business()), $reader), $reader);

        return response()->json(['message' => $id, 'to' => $this->business()->sender_address], 201);
    }

    private function reader(Request $request): ?Person
    {
        $id = Input::text($request, 'person');

        return Ids::is($id) ? Person::query()->with('business')->where('business_id', $this->user()->business_id)->whereNull('erased_at')
            ->where('id', $id)->first() : null;
    }

    /** @return list<Finding> */
    private function findings(Broadcast $broadcast, CarbonImmutable $sendAt): array
    {
        $business = $this->business();
        $own = array_column(OwnFields::of($business->id), 'name');
        $plan = $broadcast->funnel?->liveVersion?->plan();
        $written = $this->writer->forPerson($business, EmailSource::ofBroadcast($broadcast, $business), null);
        $facts = $plan === null
            ? new EmailFacts(CarbonImmutable::now(), $business->zone(), array_keys(MergeFields::OWNER),
                [...array_keys(MergeFields::PERSON), ...$own], postalAddress: $business->postal_address, sendAt: $sendAt,
                bytes: strlen($written->html))
            : EmailFacts::ofPlan($plan, CarbonImmutable::now(), $own, $business->postal_address, strlen($written->html))->sentAt($sendAt);
        $findings = EmailCheck::of($broadcast->name, $broadcast->subject, EmailSource::withParts($business, $broadcast->body), $facts,
            'broadcast', $broadcast->id);
        if ($this->broadcasting->audience($broadcast, $business, CarbonImmutable::now())->doesntExist()) {
            array_unshift($findings, new Finding('nobody', true,
                'Nobody would get this email: the rules find no one who gets emails from you.', 'broadcast', $broadcast->id,
                'Choose the readers'));
        }
        if (trim($business->sender_address) === '') {
            array_unshift($findings,
                new Finding('sender-missing', true, 'Emails need a sender address.', 'settings', '', 'Add it in Settings'));
        }

        return $findings;
    }

    private function broadcast(string $id): Broadcast
    {
        return Ids::is($id) ? Broadcast::query()->with('funnel.liveVersion')->where('business_id', $this->user()->business_id)
            ->where('id', $id)->firstOrFail() : throw new NotFoundHttpException;
    }

    /** @return array<string, mixed> */
    private function row(Broadcast $b): array
    {
        return ['id' => $b->id, 'name' => $b->name, 'subject' => $b->subject, 'state' => $b->state, 'sendAt' => Instant::json($b->send_at),
            'startedAt' => Instant::json($b->started_at), 'updatedAt' => Instant::json($b->updated_at)];
    }

    /** @return array<string, mixed> */
    private function json(Broadcast $b): array
    {
        $audience = Group::fromArray($b->audience);

        return $this->row($b) + ['body' => $b->body, 'audience' => $audience->toArray(),
            'audienceWords' => $audience->words(PeopleKit::names($this->business())),
            'people' => $this->broadcasting->audience($b, $this->business(), CarbonImmutable::now())->count(), 'funnel' => $b->funnel_id,
            'settings' => get_object_vars($b->plan()), 'winner' => $b->winner, 'winnerWhy' => $b->winner_why,
            'pickedAt' => Instant::json($b->picked_at), 'againAt' => Instant::json($b->again_at),
            'numbers' => $this->broadcasting->numbers([$b->id])[$b->id] ?? null,
            'variants' => (object) $this->broadcasting->variants($b->id), 'revision' => $b->revision];
    }
}
