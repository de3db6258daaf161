<?php

declare(strict_types=1);

namespace App\Http\Studio\People;

use App\Http\Studio\StudioController;
use App\Models\BulkAct;
use App\Models\Person;
use App\Models\Segment;
use App\Models\Tag;
use App\People\Bulk\BulkActs;
use App\People\Fields\OwnFields;
use App\People\Privacy\PeopleExport;
use App\People\Segments\PeopleKit;
use App\People\Segments\SegmentQuery;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\FormField;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** People as a list: searched, filtered by rules, acted upon together, exported in open formats. */
final class PeopleController extends StudioController
{
    private const SORTS = ['joined' => 'joined_at', 'active' => 'active_at', 'name' => 'sorted_by', 'email' => 'email_key'];

    public function index(Request $request): JsonResponse
    {
        $query = $this->people($request);
        $sort = self::SORTS[Input::text($request, 'sort')] ?? 'joined_at';
        $perPage = Input::number($request, 'perPage', 25, 1, 100);
        $total = (clone $query)->count();
        $pages = max(1, (int) ceil($total / $perPage));
        $page = min($pages, Input::number($request, 'page', 1, 1, 1_000_000));
        // Both in one direction, so that an index gives the order as it stands.
        $direction = in_array($sort, ['joined_at', 'active_at'], true) ? 'desc' : 'asc';
        $ids = $query->orderBy($sort, $direction)->orderBy('people.id', $direction)->forPage($page, $perPage)->pluck('people.id')
            ->map(fn ($id): string => (string) $id)->all();
        $found = Person::query()->with('tags')->whereIn('id', $ids)->get()->keyBy('id');
        $from = $this->origins($ids);

        return response()->json(['total' => $total, 'page' => $page, 'pages' => $pages,
            'people' => array_map(fn (string $id): array => self::summary($found[$id] ?? throw new NotFoundHttpException)
                + ['from' => $from[$id] ?? ''], $ids)]);
    }

    public function kit(): JsonResponse
    {
        return response()->json(PeopleKit::of($this->business()));
    }

    /** How many people rules find, and the rules in words. */
    public function count(Request $request): JsonResponse
    {
        $group = $this->rules($request);

        return response()->json(['count' => (new SegmentQuery($this->business(), CarbonImmutable::now()))->count($group),
            'words' => $group->words(PeopleKit::names($this->business()))]);
    }

    public function export(Request $request, string $format): StreamedResponse
    {
        $query = $this->people($request);
        $business = $this->business()->id;
        $export = new PeopleExport;
        [$type, $name] = match ($format) {
            'csv' => ['text/csv; charset=utf-8', 'people.csv'],
            'vcard' => ['text/vcard; charset=utf-8', 'people.vcf'],
            'json' => ['application/json', 'people.json'],
            default => throw new NotFoundHttpException,
        };
        $write = function (string $text): void {
            echo $text;
        };

        return response()->streamDownload(fn () => match ($format) {
            'csv' => $export->csv($query, $business, $write),
            'vcard' => $export->vcard($query, $write),
            default => $export->json($query, $write),
        }, $name, ['Content-Type' => $type]);
    }

    /** Does something to those who are chosen: named one by one, or all that the list shows. */
    public function act(Request $request, BulkActs $acts): JsonResponse
    {
        $kind = Input::text($request, 'kind');
        if (! in_array($kind, BulkActs::KINDS, true)) {
            throw Invalid::at('kind', 'Choose what to do with these people.');
        }
        $query = $this->people($request);
        $ids = $request->input('ids');
        if (is_array($ids)) {
            $query->whereIn('people.id', array_slice(array_values(array_filter($ids, is_string(...))), 0, 1000));
        } elseif ($request->input('everybody') !== true) {
            throw Invalid::at('ids', 'Nobody is selected.');
        }
        $act = $acts->do($this->business(), $kind, ['of' => $request->input('of')], $query);

        return response()->json(['id' => $act->id, 'people' => $act->people], 201);
    }

    /** What was done to many of late, the newest first, so that it can be taken back when it is noticed later. */
    public function acts(): JsonResponse
    {
        return response()->json(['acts' => BulkAct::query()->where('business_id', $this->user()->business_id)->where('people', '>', 0)
            ->latest()->latest('id')->limit(30)->get()->map(fn (BulkAct $a): array => [
                'id' => $a->id, 'kind' => $a->kind, 'of' => (string) ($a->data['name'] ?? $a->data['of'] ?? ''), 'people' => $a->people,
                'at' => Instant::json($a->created_at), 'undone' => $a->undone_at !== null])->all()]);
    }

    public function undoAct(string $act, BulkActs $acts): JsonResponse
    {
        $found = BulkAct::query()->where('business_id', $this->user()->business_id)->where('id', $act)->firstOrFail();
        $acts->undo($found);

        return response()->json(['id' => $found->id, 'people' => $found->people]);
    }

    public function storeSegment(Request $request): JsonResponse
    {
        $segment = Segment::query()->create(['id' => Ids::next(), 'business_id' => $this->user()->business_id,
            'name' => $this->name($request), 'rules' => $this->rules($request)->toArray()]);

        return response()->json(['id' => $segment->id, 'name' => $segment->name, 'rules' => $segment->rules], 201);
    }

    public function updateSegment(Request $request, string $segment): JsonResponse
    {
        $found = $this->segment($segment);
        $found->forceFill(['name' => $this->name($request), 'rules' => $this->rules($request)->toArray()])->save();

        return response()->json(['id' => $found->id, 'name' => $found->name, 'rules' => $found->rules]);
    }

    public function destroySegment(string $segment): JsonResponse
    {
        $this->segment($segment)->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $segment]);
    }

    public function restoreSegment(string $segment): JsonResponse
    {
        $this->segment($segment)->forceFill(['deleted_at' => null])->save();

        return response()->json(['id' => $segment]);
    }

    /** A field of the owner's own, for people. */
    public function storeField(Request $request): JsonResponse
    {
        $field = FormField::fromShape(Shape::of($request->only(['name', 'label', 'kind', 'options'])
            + ['required' => false, 'keep' => true]));
        if ($field->kind->isOfPerson() || in_array($field->kind, [FieldKind::Consent, FieldKind::Hidden], true)) {
            throw Invalid::at('kind', 'A field of people is a line, a text, a choice, a number or a date.');
        }
        OwnFields::know($this->user()->business_id, $field);

        return response()->json(['fields' => OwnFields::of($this->user()->business_id)], 201);
    }

    /** Takes a field away, with what is known in it. */
    public function destroyField(string $field): JsonResponse
    {
        $business = $this->user()->business_id;
        if (DB::table('own_fields')->where('business_id', $business)->where('name', $field)->doesntExist()) {
            throw new NotFoundHttpException;
        }
        DB::transaction(function () use ($field, $business): void {
            DB::table('person_values')->where('name', $field)
                ->whereIn('person_id', DB::table('people')->where('business_id', $business)->select('id'))->delete();
            DB::table('own_fields')->where('business_id', $business)->where('name', $field)->delete();
        });

        return response()->json(['fields' => OwnFields::of($business)]);
    }

    /** The list as it is asked for: rules or a segment, a search, a funnel, a tag. */
    private function people(Request $request): Builder
    {
        $business = $this->business();
        $segment = Input::text($request, 'segment');
        $query = (new SegmentQuery($business, CarbonImmutable::now()))
            ->people($segment !== '' ? $this->segment($segment)->group() : $this->rules($request));
        $search = Input::search($request);
        $like = Input::pattern($search);
        $funnel = Input::text($request, 'funnel');

        return $query->when($search !== '',
            fn (Builder $q) => $q->whereRaw("found_by like ? escape '\\'", [$like]))
            ->when($funnel !== '',
                fn (Builder $q) => $q->whereIn('people.id', DB::table('submissions')->where('funnel_id', $funnel)->select('person_id')))
            ->when(Input::number($request, 'tag', 0, 0, PHP_INT_MAX) > 0, fn (Builder $q) => $q->whereIn('people.id',
                DB::table('person_tag')->where('tag_id', Input::number($request, 'tag', 0, 0, PHP_INT_MAX))->select('person_id')));
    }

    private function rules(Request $request): Group
    {
        $rules = $request->input('rules');
        // In an address they stand as JSON.
        $rules = is_string($rules) ? json_decode($rules, true) : $rules;

        return $rules === null || $rules === [] ? Group::everybody() : Group::fromArray($rules);
    }

    private function name(Request $request): string
    {
        $name = trim(Input::text($request, 'name'));

        return $name === '' || mb_strlen($name) > 120 ? throw Invalid::at('name', 'Please give the segment a name of up to 120 characters.')
            : $name;
    }

    private function segment(string $id): Segment
    {
        return Ids::is($id) ? Segment::query()->where('business_id', $this->user()->business_id)->where('id', $id)->firstOrFail()
            : throw new NotFoundHttpException;
    }

    /**
     * @param  array<string>  $people
     * @return array<string, string> where each first came from: a funnel, or an import
     */
    private function origins(array $people): array
    {
        $origins = DB::table('people')->join('imports', 'imports.id', '=', 'people.import_id')->whereIn('people.id', $people)
            ->pluck('imports.name', 'people.id')->map(fn ($n): string => (string) $n)->all();
        foreach (DB::table('submissions')->join('funnels', 'funnels.id', '=', 'submissions.funnel_id')->whereIn('person_id', $people)
            ->orderByDesc('submitted_at')->get(['person_id', 'funnels.name']) as $row) {
            $origins[(string) $row->person_id] = (string) $row->name;
        }

        return $origins;
    }

    /** @return array<string, mixed> */
    public static function summary(Person $person): array
    {
        return ['id' => $person->id, 'email' => $person->email, 'firstName' => $person->first_name, 'lastName' => $person->last_name,
            'joinedAt' => Instant::json($person->joined_at), 'activeAt' => Instant::json($person->active_at),
            'unsubscribed' => $person->unsubscribed_at !== null, 'ownerTry' => $person->owner_try,
            'subscription' => $person->subscription()->value, 'tags' => $person->tags->map(fn (Tag $t): string => $t->name)->all()];
    }
}
