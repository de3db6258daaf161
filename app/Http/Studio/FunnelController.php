<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Files\Uploads;
use App\Funnels\DraftPlan;
use App\Funnels\NewFunnel;
use App\Funnels\Publishing;
use App\Models\Funnel;
use App\Models\Version;
use App\Results\Numbers;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Lantern\Core\Funnel\Goal;
use Lantern\Core\Funnel\WebAddress;
use Lantern\Core\Page\Colour;
use Lantern\Core\Page\Looks;
use Lantern\Core\Support\Invalid;

final class FunnelController extends StudioController
{
    public function index(Request $request, Numbers $numbers): JsonResponse
    {
        $search = mb_strtolower(trim($request->string('search')->toString()));
        $state = $request->string('state')->toString();
        $funnels = Funnel::query()->with('liveVersion:id,funnel_id,number')->where('business_id', $this->user()->business_id)
            ->when($state === 'archived', fn ($q) => $q->whereNotNull('archived_at'), fn ($q) => $q->whereNull('archived_at'))
            ->when(in_array($state, ['draft', 'live', 'closed'], true), fn ($q) => $q->where('state', $state))
            ->when($search !== '', fn ($q) => $q->whereRaw('lower(name) like ? escape ?', ['%'.addcslashes($search, '%_\\').'%', '\\']))
            ->orderByDesc('updated_at')->orderBy('id')->paginate(min(100, max(1, $request->integer('perPage', 50))));
        $totals = $numbers->totals($this->business(), array_values(array_map(fn (Funnel $f): string => $f->id, $funnels->items())));

        return response()->json([
            'total' => $funnels->total(),
            'any' => Funnel::query()->where('business_id', $this->user()->business_id)->exists(),
            'funnels' => array_map(fn (Funnel $f): array => $this->summary($f) + $totals[$f->id], $funnels->items()),
        ]);
    }

    public function store(Request $request, Uploads $uploads, NewFunnel $new): JsonResponse
    {
        $given = $request->validate([
            'goal' => ['required', Rule::enum(Goal::class)],
            'name' => ['required', 'string', 'max:120'],
            'title' => ['required', 'string', 'max:200'],
            'file' => ['nullable'],
        ], [
            'goal.*' => 'Please choose what this funnel is for.',
            'name.required' => 'Please give the funnel a name. Only you will see it.',
            'name.max' => 'A name has 120 characters at most.',
            'title.required' => 'What is it called? Visitors will read this.',
            'title.max' => 'A title has 200 characters at most.',
        ]);
        $file = $request->file('file');
        if ($file === null && $request->has('file') && $request->input('file') !== '') {
            throw Invalid::at('file', 'The file did not arrive. Please bring it again.');
        }
        $funnel = DB::transaction(fn (): Funnel => $new->fromStarter($this->business(), Goal::from($given['goal']), trim($given['name']), trim($given['title']),
            is_array($file) || $file === null ? null : $uploads->file($this->business(), $file)));

        return response()->json(['id' => $funnel->id], 201);
    }

    public function show(string $funnel, Numbers $numbers): JsonResponse
    {
        $found = $this->funnel($funnel);
        $found->load(['pages.ways', 'forms', 'emails', 'leadMagnets.upload', 'liveVersion', 'business']);
        $changed = $found->liveVersion === null || $found->liveVersion->fingerprint !== Publishing::fingerprint(DraftPlan::read($found));

        return response()->json($this->summary($found) + [
            'changed' => $changed,
            'nextVersion' => 1 + (int) Version::query()->where('funnel_id', $found->id)->max('number'),
            'look' => $found->look, 'accent' => $found->accent,
            'pages' => $found->pages->map(Json::page(...))->all(),
            'ways' => $found->pages->flatMap(fn ($p) => $p->ways)->map(fn ($w): array => ['page' => $w->page_id, 'outcome' => $w->outcome, 'toPage' => $w->to_page, 'toUrl' => $w->to_url])->values()->all(),
            'forms' => $found->forms->map(Json::form(...))->all(),
            'emails' => $found->emails->map(Json::email(...))->sortBy('offset')->values()->all(),
            'leadMagnets' => $found->leadMagnets->map(Json::leadMagnet(...))->all(),
            'pageNumbers' => (object) $numbers->byPage($found),
            'emailNumbers' => (object) $numbers->byEmail($found),
        ]);
    }

    public function update(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:120'], 'address' => ['sometimes', 'string', 'max:200'],
            'look' => ['sometimes', Rule::in(array_keys(Looks::all()))], 'accent' => ['sometimes', 'nullable', 'string']],
            ['name.required' => 'Please give the funnel a name. Only you will see it.', 'name.max' => 'A name has 120 characters at most.', 'look.in' => 'There is no such look.']);
        if (isset($given['address']) && $given['address'] !== $found->address) {
            WebAddress::check($given['address']);
            if (NewFunnel::taken($given['address'])) {
                throw Invalid::at('address', "“{$given['address']}” is in use by another of your funnels. Please choose another web address.");
            }
        }
        if (array_key_exists('accent', $given)) {
            $given['accent'] = $given['accent'] === null || $given['accent'] === '' ? null : Colour::of($given['accent'], 'accent')->hex();
        }
        $found->forceFill($given)->save();

        return response()->json($this->summary($found) + ['look' => $found->look, 'accent' => $found->accent]);
    }

    public function duplicate(string $funnel, NewFunnel $new): JsonResponse
    {
        return response()->json(['id' => $new->duplicate($this->funnel($funnel))->id], 201);
    }

    public function archive(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $found->forceFill(['archived_at' => CarbonImmutable::now()])->save();

        return response()->json($this->summary($found));
    }

    public function restore(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $found->forceFill(['archived_at' => null])->save();

        return response()->json($this->summary($found));
    }

    /** @return array<string, mixed> */
    private function summary(Funnel $funnel): array
    {
        return ['id' => $funnel->id, 'name' => $funnel->name, 'goal' => $funnel->goal, 'state' => $funnel->state, 'address' => $funnel->address,
            'url' => $funnel->url(), 'archived' => $funnel->archived_at !== null, 'liveVersion' => $funnel->liveVersion?->number,
            'updatedAt' => Instant::json($funnel->updated_at)];
    }
}
