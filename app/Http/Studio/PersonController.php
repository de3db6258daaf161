<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Models\Delivery;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Tag;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

final class PersonController extends StudioController
{
    private const SORTS = ['joined' => 'joined_at', 'name' => 'first_name', 'email' => 'email_key'];

    public function index(Request $request): JsonResponse
    {
        $search = mb_strtolower(trim($request->string('search')->toString()));
        $like = '%'.addcslashes($search, '%_\\').'%';
        $funnel = $request->string('funnel')->toString();
        $sort = self::SORTS[$request->string('sort')->toString()] ?? 'joined_at';
        $people = Person::query()->with('tags')->where('business_id', $this->user()->business_id)
            ->when($search !== '', fn ($q) => $q->where(fn ($q) => $q->whereRaw("email_key like ? escape '\\'", [$like])
                ->orWhereRaw("lower(first_name || ' ' || last_name) like ? escape '\\'", [$like])))
            ->when($funnel !== '', fn ($q) => $q->whereIn('id', Submission::query()->where('funnel_id', $funnel)->select('person_id')))
            ->when($request->integer('tag') > 0, fn ($q) => $q->whereIn('id', DB::table('person_tag')->where('tag_id', $request->integer('tag'))->select('person_id')))
            ->orderBy($sort, $sort === 'joined_at' ? 'desc' : 'asc')->orderBy('id')
            ->paginate(min(100, max(1, $request->integer('perPage', 25))));
        $from = $this->origins(array_values(array_map(fn (Person $p): string => $p->id, $people->items())));

        return response()->json([
            'total' => $people->total(), 'page' => $people->currentPage(), 'pages' => $people->lastPage(),
            'tags' => Tag::query()->where('business_id', $this->user()->business_id)->orderBy('name')->get(['id', 'name']),
            'funnels' => Funnel::query()->where('business_id', $this->user()->business_id)->orderBy('name')->get(['id', 'name']),
            'people' => array_map(fn (Person $p): array => $this->summary($p) + ['from' => $from[$p->id] ?? ''], $people->items()),
        ]);
    }

    public function show(string $person): JsonResponse
    {
        $found = $this->person($person);
        $visitors = DB::table('visitor_person')->where('person_id', $found->id)->pluck('visitor');
        $pages = DB::table('pages')->join('funnels', 'funnels.id', '=', 'pages.funnel_id')->where('funnels.business_id', $found->business_id)->pluck('pages.name', 'pages.id');
        $funnels = Funnel::query()->where('business_id', $found->business_id)->pluck('name', 'id');
        $history = [];
        foreach (DB::table('events')->where('person_id', $found->id)->orWhereIn('visitor', $visitors)->where('business_id', $found->business_id)
            ->orderByDesc('at')->limit(200)->get() as $event) {
            $history[] = ['kind' => $event->type, 'at' => Instant::jsonFromSql($event->at), 'what' => (string) ($pages[$event->page_id] ?? ''),
                'funnel' => (string) ($funnels[$event->funnel_id] ?? ''), 'source' => $event->source, 'id' => 'e'.$event->id];
        }
        foreach (Message::query()->where('person_id', $found->id)->orderByDesc('due_at')->limit(200)->get() as $message) {
            $history[] = ['kind' => 'message-'.$message->state, 'at' => Instant::json($message->sent_at ?? $message->due_at), 'what' => $message->name,
                'funnel' => (string) ($funnels[$message->funnel_id] ?? ''), 'source' => null, 'id' => $message->id];
        }
        usort($history, fn (array $a, array $b): int => [$b['at'], $b['id']] <=> [$a['at'], $a['id']]);
        $submissions = $found->submissions()->latest('submitted_at')->get()->map(fn (Submission $s): array => [
            'id' => $s->id, 'at' => Instant::json($s->submitted_at), 'funnel' => (string) ($funnels[$s->funnel_id] ?? ''), 'answers' => (object) $s->answers,
            'consentWords' => $s->consent_words, 'consented' => $s->consented, 'source' => (object) ($s->source ?? [])]);
        $deliveries = Delivery::query()->with('leadMagnet')->where('person_id', $found->id)->get()->map(fn (Delivery $d): array => [
            'id' => $d->id, 'title' => $d->leadMagnet->title ?? 'A file that is gone', 'downloads' => $d->downloads, 'revoked' => $d->revoked_at !== null]);

        return response()->json($this->summary($found->load('tags')) + ['phone' => $found->phone, 'timezone' => $found->timezone,
            'history' => $history, 'submissions' => $submissions, 'deliveries' => $deliveries]);
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

    private function person(string $id): Person
    {
        return Ids::is($id) ? Person::query()->where('business_id', $this->user()->business_id)->findOrFail($id) : throw new NotFoundHttpException;
    }

    /**
     * @param  list<string>  $people
     * @return array<string, string> the name of the funnel each first came from
     */
    private function origins(array $people): array
    {
        $origins = [];
        foreach (DB::table('submissions')->join('funnels', 'funnels.id', '=', 'submissions.funnel_id')->whereIn('person_id', $people)
            ->orderByDesc('submitted_at')->get(['person_id', 'funnels.name']) as $row) {
            $origins[$row->person_id] = (string) $row->name;
        }

        return $origins;
    }

    /** @return array<string, mixed> */
    private function summary(Person $person): array
    {
        return ['id' => $person->id, 'email' => $person->email, 'firstName' => $person->first_name, 'lastName' => $person->last_name,
            'joinedAt' => Instant::json($person->joined_at), 'unsubscribed' => $person->unsubscribed_at !== null, 'ownerTry' => $person->owner_try,
            'tags' => $person->tags->map(fn (Tag $t): string => $t->name)->all()];
    }
}
