<?php

declare(strict_types=1);

namespace App\Http\Studio\People;

use App\Http\Studio\Json\OrderJson;
use App\Http\Studio\Json\WarmthJson;
use App\Http\Studio\StudioController;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Mail\Sending\Feedback;
use App\Mail\Unsubscribing\Unsubscribe;
use App\Models\Delivery;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Models\Tag;
use App\Orders\SalesNumbers;
use App\People\Fields\OwnFields;
use App\People\Notes;
use App\People\Privacy\Erase;
use App\People\Privacy\History;
use App\People\Privacy\Merge;
use App\People\Privacy\PeopleExport;
use App\People\Privacy\PersonArchive;
use App\People\Tags\Tagging;
use App\Records\PersonLookup;
use App\Records\Runs;
use App\Support\Input;
use App\Support\Instant;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\EventType;
use Lantern\Core\Languages\Languages;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\Rules\DeadlineRule;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** One person: what is known, what happened, and what the owner does about it. */
final class PersonController extends StudioController
{
    public function show(Request $request, string $person, History $history): JsonResponse
    {
        return response()->json($this->whole($this->person($person), $history, Input::number($request, 'more', 0, 0, 100_000)));
    }

    /** @return array<string, mixed> */
    private function whole(Person $found, History $history, int $more = 0): array
    {
        $deliveries = Delivery::query()->with('leadMagnet')->where('person_id', $found->id)->get()->map(fn (Delivery $d): array => [
            'id' => $d->id, 'title' => $d->leadMagnet->name ?? 'A file that is gone', 'downloads' => $d->downloads,
            'revoked' => $d->revoked_at !== null]);
        $values = PeopleExport::values([$found->id])[$found->id] ?? [];
        $through = PersonLookup::through($found);

        return PeopleController::summary($found->load(['tags', 'business'])) + ['phone' => $found->phone, 'timezone' => $found->timezone,
            'language' => $found->language,
            'subscriptionWords' => $found->subscription()->label(), 'quietUntil' => Instant::json($found->quiet_until),
            'confirmedAt' => Instant::json($found->confirmed_at),
            'tagIds' => $found->tags->map(fn (Tag $t): array => ['id' => $t->id, 'name' => $t->name])->all(),
            'fields' => array_map(fn (array $f): array => $f + ['values' => $values[$f['name']] ?? []], OwnFields::of($found->business_id)),
            'notes' => DB::table('person_notes')->where('person_id', $found->id)->whereNull('deleted_at')->orderByDesc('created_at')
                ->get(['id', 'words', 'created_at'])
                ->map(fn ($n): array => ['id' => $n->id, 'text' => $n->words, 'at' => Instant::jsonFromSql($n->created_at)])->all(),
            'sequences' => DB::table('enrolments')->leftJoin('draft_parts', 'draft_parts.id', '=', 'enrolments.sequence_id')
                ->join('funnels', 'funnels.id', '=', 'enrolments.funnel_id')->where('person_id', $found->id)->orderByDesc('started_at')
                ->get(['enrolments.sequence_id', 'draft_parts.name', 'funnels.name as funnel', 'funnels.id as funnel_id', 'started_at',
                    'ended_at', 'ended_why'])
                ->map(fn ($e): array => ['id' => $e->sequence_id, 'name' => $e->name ?? 'A sequence that is gone', 'funnel' => $e->funnel,
                    'funnelId' => $e->funnel_id, 'at' => Instant::jsonFromSql($e->started_at),
                    'endedAt' => Instant::jsonFromSql($e->ended_at), 'endedWhy' => $e->ended_why,
                    'through' => in_array($e->sequence_id, $through, true)])->all(),
            'deadlines' => self::deadlines($found),
            'optOuts' => DB::table('opt_outs')->where('person_id', $found->id)->pluck('what')->all(),
            'warmth' => WarmthJson::ofPerson($found, CarbonImmutable::now()),
            'history' => $history->told($found, 100 + $more), 'consent' => PersonArchive::consent($found),
            'deliveries' => $deliveries,
            'purchases' => ['orders' => Order::query()->with(['lines', 'funnel', 'business', 'payments'])
                ->where('person_id', $found->id)->latest('placed_at')->limit(50)->get()->map(OrderJson::withPlan(...))->all(),
                'sums' => (new SalesNumbers)->ofPerson($this->business(), $found->id)]];
    }

    /** @return list<array<string, mixed>> those that run for them or ran, and those that could be started */
    private static function deadlines(Person $person): array
    {
        $now = CarbonImmutable::now();
        $live = DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')
            ->leftJoin('deadline_kinds', 'deadline_kinds.deadline_id', '=', 'draft_parts.id')
            ->where('business_id', $person->business_id)->where('kind', Deadline::kind())->whereNull('removed')->whereNull('archived_at')
            ->whereNotNull('live_version_id')->orderBy('funnels.name')->get(['draft_parts.id', 'draft_parts.name',
                'funnels.id as funnel_id', 'funnels.name as funnel', 'personal'])->keyBy('id');
        $gone = Runs::namesFor($person->id)->diffKeys($live);
        $runs = Runs::ofPeople([$person->id], [...$live->keys(), ...$gone->keys()], CarbonImmutable::now())[$person->id] ?? [];
        $told = [];
        foreach ([...$live, ...$gone] as $row) {
            $id = $row->id ?? $row->deadline_id;
            $run = $runs[$id] ?? null;
            $told[] = ['id' => $id, 'name' => $row->name, 'funnel' => $row->funnel ?? '', 'funnelId' => $row->funnel_id,
                'live' => isset($row->id), 'state' => DeadlineRule::stateOf($run, $now),
                'startedAt' => Instant::json($run?->startedAt), 'endsAt' => Instant::json($run?->endsAt), 'why' => $run->why ?? '',
                // What runs for everyone cannot be moved, ended or started for one of them.
                'canStart' => (bool) ($row->personal ?? false) && ($run === null || ! $run->forAll)];
        }

        return $told;
    }

    public function update(Request $request, string $person, History $history): JsonResponse
    {
        $found = $this->person($person);
        $given = $request->validate(['firstName' => ['sometimes', 'string', 'max:100'], 'lastName' => ['sometimes', 'string', 'max:100'],
            'phone' => ['sometimes', 'string', 'max:40', 'regex:~^$|^[+0-9][0-9 ()./-]{3,}$~'],
            'timezone' => ['sometimes', 'nullable', 'timezone:all'], 'language' => ['sometimes', 'nullable', 'string'],
            'fields' => ['sometimes', 'array']],
            ['phone.regex' => 'A phone number holds digits, and perhaps a plus at the start.',
                'timezone.timezone' => 'Please choose a time zone from the list.', '*.max' => 'This is too long.']);
        if (($given['language'] ?? '') !== '' && ! Languages::isKnown((string) $given['language'])) {
            throw Invalid::at('language', 'There is no such language. Please choose one from the list.');
        }
        DB::transaction(function () use ($found, $given): void {
            $line = fn (string $w): string => trim((string) preg_replace('/[\p{Cc}\s]+/u', ' ', $w));
            $found->forceFill(array_map(fn (?string $v): ?string => $v === null ? null : $line($v), array_filter([
                'first_name' => $given['firstName'] ?? false, 'last_name' => $given['lastName'] ?? false,
                'phone' => $given['phone'] ?? false,
                'timezone' => array_key_exists('timezone', $given) ? ($given['timezone'] ?: null) : false,
                'language' => array_key_exists('language', $given) ? ($given['language'] ?: null) : false,
            ], fn (string|bool|null $v): bool => $v !== false)))->save();
            $kinds = array_column(OwnFields::of($found->business_id), 'kind', 'name');
            foreach ($given['fields'] ?? [] as $name => $values) {
                $kind = FieldKind::tryFrom($kinds[$name] ?? '') ?? throw Invalid::at("fields.{$name}", 'This field is not there any more.');
                $typed = array_values(array_filter(array_map(fn (mixed $v): string => is_string($v) ? $line($v) : '', (array) $values),
                    fn (string $v): bool => $v !== ''));
                // The same reading as for a column of a list: a number is a number, a day a day.
                OwnFields::set($found->id, (string) $name,
                    $typed === [] ? [] : ImportPlan::own((string) $name, implode(';', $typed), $kind));
            }
        });

        return response()->json($this->whole($found->refresh(), $history));
    }

    public function tag(Request $request, string $person, Tagging $tagging): JsonResponse
    {
        $found = $this->person($person);
        $name = trim(Input::text($request, 'name'));
        if ($name === '' || mb_strlen($name) > 60) {
            throw Invalid::at('name', 'A tag has between one and 60 characters.');
        }
        $tagging->add($found, $name, CarbonImmutable::now());

        return response()->json(['tags' => $found->tags()->get(['tags.id', 'name'])
            ->map(fn (Tag $t): array => ['id' => $t->id, 'name' => $t->name])->all()]);
    }

    public function untag(string $person, string $tag, Tagging $tagging): JsonResponse
    {
        $found = $this->person($person);
        $tagging->remove($found, (int) $tag);

        return response()->json(['tags' => $found->tags()->get(['tags.id', 'name'])
            ->map(fn (Tag $t): array => ['id' => $t->id, 'name' => $t->name])->all()]);
    }

    public function note(Request $request, string $person): JsonResponse
    {
        $found = $this->person($person);
        $words = RichText::plain(Input::text($request, 'text'));
        if ($words === '' || mb_strlen($words) > 4000) {
            throw Invalid::at('text', 'A note has between one and 4,000 characters.');
        }
        $now = CarbonImmutable::now();
        $id = Notes::write($found->id, $this->user()->id, $words, $now);

        return response()->json(['id' => $id, 'text' => $words, 'at' => Instant::json($now)], 201);
    }

    public function removeNote(string $person, string $note): JsonResponse
    {
        DB::table('person_notes')->where('person_id', $this->person($person)->id)->where('id', $note)
            ->update(['deleted_at' => Instant::sql(CarbonImmutable::now())]);

        return response()->json(['id' => $note]);
    }

    public function restoreNote(string $person, string $note): JsonResponse
    {
        DB::table('person_notes')->where('person_id', $this->person($person)->id)->where('id', $note)->update(['deleted_at' => null]);

        return response()->json(['id' => $note]);
    }

    /** They have replied, as the owner saw in their own mail: what waits for that follows. */
    public function replied(string $person, Events $events): JsonResponse
    {
        $found = $this->person($person);
        $events->take(NewEvent::of(EventType::Replied, $found, CarbonImmutable::now(), data: ['by' => 'owner']));

        return response()->json(['id' => $found->id], 201);
    }

    /** A purchase made elsewhere: what buying starts and ends does so, in every live funnel. */
    public function bought(Request $request, string $person, Events $events): JsonResponse
    {
        $found = $this->person($person);
        $funnel = $this->funnel(Input::text($request, 'funnel'))->load('liveVersion');
        $events->take(NewEvent::of(EventType::Bought, $found, CarbonImmutable::now(), $funnel, data: ['by' => 'owner']));

        return response()->json(['id' => $found->id], 201);
    }

    /** Enters a sequence by the owner's hand, or leaves it. */
    public function sequence(Request $request, string $person, string $sequence, Events $events): JsonResponse
    {
        $found = $this->person($person);
        $now = CarbonImmutable::now();
        if ($request->isMethod('DELETE')) {
            $events->leave($found, $sequence, 'Removed from the sequence by you.', $now);

            return response()->json(['id' => $sequence]);
        }
        $funnel = Funnel::query()->with(['liveVersion', 'business'])->where('business_id', $found->business_id)
            ->whereHas('parts', fn ($q) => $q->where('kind', 'sequence')->where('id', $sequence))->first();
        if ($funnel?->liveVersion === null) {
            throw Invalid::at('sequence', 'This sequence is not live yet: publish its funnel first.');
        }
        if (! $found->subscription()->getsSequences()) {
            throw Invalid::at('sequence', 'This person '.$found->subscription()->label().', so nothing can be sent to them.');
        }
        if (! $events->enter($found, $funnel, $sequence, $now)) {
            throw Invalid::at('sequence', 'They are in this sequence already, were in it before, or have a tag that ends it.');
        }

        return response()->json(['id' => $sequence], 201);
    }

    public function unsubscribe(string $person, Unsubscribe $unsubscribe): JsonResponse
    {
        $unsubscribe->unsubscribe($this->person($person), null);

        return response()->json(['id' => $person]);
    }

    /** The address works after all. What its owner reported or left themselves only they can take back. */
    public function lift(string $person, Feedback $feedback): JsonResponse
    {
        $found = $this->person($person);
        if ($found->suppressed !== 'bounced') {
            throw Invalid::at('person', $found->suppressed === 'complained'
                ? 'They reported an email of yours as spam. Nothing is sent to this address any more.'
                : 'Only they themselves can come back, by filling in a form of yours.');
        }
        $feedback->lift($found);

        return response()->json(['id' => $person]);
    }

    public function merge(Request $request, string $person, Merge $merge): JsonResponse
    {
        $stays = $this->person($person);
        $merge->merge($stays, $this->person(Input::text($request, 'with')));

        return response()->json(['id' => $stays->id]);
    }

    public function erase(string $person, Erase $erase): JsonResponse
    {
        $erase->person($this->person($person));

        return response()->json(['id' => $person]);
    }

    public function archive(string $person, PersonArchive $archive): BinaryFileResponse
    {
        return response()->download($archive->write($this->person($person)), "person-{$person}.zip", ['Content-Type' => 'application/zip'])
            ->deleteFileAfterSend();
    }

    public function consent(string $person, PersonArchive $archive): JsonResponse
    {
        $found = $this->person($person);

        return response()->json(['person' => $found->email, 'consent' => PersonArchive::consent($found)], 200,
            ['Content-Disposition' => "attachment; filename=\"consent-{$found->id}.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }

    public function revoke(string $delivery): JsonResponse
    {
        return $this->setRevoked($delivery, CarbonImmutable::now());
    }

    public function allow(string $delivery): JsonResponse
    {
        return $this->setRevoked($delivery, null);
    }

    private function setRevoked(string $id, ?CarbonImmutable $at): JsonResponse
    {
        $found = $this->part(Delivery::class, $id);
        $found->forceFill(['revoked_at' => $at])->save();

        return response()->json(['id' => $found->id, 'revoked' => $at !== null]);
    }
}
