<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Drafts\EndOfSetAside;
use App\Drafts\Kinds\DraftKinds;
use App\Drafts\NewFunnel;
use App\Drafts\SetAside;
use App\Files\Uploads;
use App\Http\Studio\Json\FunnelJson;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\Upload;
use App\Popups\PopupNumbers;
use App\Rendering\PageDrawings;
use App\Results\FunnelNumbers;
use App\Results\WayNumbers;
use App\Support\Input;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\OpeningTimes;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Period;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\WebinarMode;

final class FunnelController extends StudioController
{
    public function index(Request $request, HomeNumbers $numbers): JsonResponse
    {
        $search = Input::search($request);
        $wanted = Input::text($request, 'state');
        $label = Input::text($request, 'label');
        $funnels = Funnel::query()->with('liveVersion:id,funnel_id,number')->where('business_id', $this->user()->business_id)
            ->when($wanted === 'archived', fn ($q) => $q->whereNotNull('archived_at'), fn ($q) => $q->whereNull('archived_at'))
            ->when(FunnelState::tryFrom($wanted), fn ($q, FunnelState $s) => $q->where('state', $s))
            ->when($label !== '', fn ($q) => $q->whereJsonContains('labels', $label))
            ->when($search !== '', fn ($q) => $q->whereRaw('folded(name) like ? escape ?', [Input::pattern($search), '\\']))
            ->orderByDesc('updated_at')->orderBy('id')->paginate(Input::number($request, 'perPage', 50, 1, 100));
        $found = $numbers->lastDays($this->business(), array_values($funnels->items()), CarbonImmutable::now());
        $drawings = PageDrawings::ofEntries(array_values($funnels->items()));

        return response()->json([
            'total' => $funnels->total(),
            'any' => Funnel::query()->where('business_id', $this->user()->business_id)->exists(),
            'labels' => Labels::inUse($this->business()),
            'today' => NeedsOwner::today($this->business(), CarbonImmutable::now()),
            'funnels' => array_map(fn (Funnel $f): array => FunnelJson::summary($f) + $found[$f->id]
                + ['drawing' => $drawings[$f->id] ?? ''], $funnels->items()),
        ]);
    }

    /** Small drawings of the pages of the draft. */
    public function drawings(string $funnel): JsonResponse
    {
        return response()->json(['drawings' => (object) PageDrawings::ofPlan(DraftPlan::read($this->funnel($funnel)))]);
    }

    public function store(Request $request, Uploads $uploads, NewFunnel $new): JsonResponse
    {
        $given = $request->validate([
            'goal' => ['required', Rule::enum(Goal::class)],
            'name' => ['required', 'string', 'max:120'],
            'title' => ['required_unless:goal,'.Goal::Own->value, 'nullable', 'string', 'max:200'],
            'file' => ['nullable'],
            'guide' => ['nullable'],
            'price' => ['nullable', 'string', 'max:40'],
            'introductory' => ['nullable', 'string', 'max:40'],
            'mode' => ['nullable', Rule::enum(WebinarMode::class)],
            'language' => ['nullable', 'string'],
        ], [
            'mode.*' => 'Please choose whether it is held live or played from a recording.',
            'goal.*' => 'Please choose what this funnel is for.',
            'name.required' => 'Please give the funnel a name. Only you will see it.',
            'name.max' => 'A name has 120 characters at most.',
            'title.required_unless' => 'What is it called? Visitors will read this.',
            'title.max' => 'A title has 200 characters at most.',
            'price.max' => 'A price has 40 characters at most.',
            'introductory.max' => 'A price has 40 characters at most.',
        ]);
        $file = $request->file('file');
        if ($file === null && $request->has('file') && $request->input('file') !== '') {
            throw Invalid::at('file', 'The file did not arrive. Please choose it again.');
        }
        $language = ($given['language'] ?? '') === '' ? null : (string) $given['language'];
        if ($language !== null && ! Languages::isKnown($language)) {
            throw Invalid::at('language', 'There is no such language. Please choose one from the list.');
        }
        $currency = Currency::of($this->business()->currency);
        $price = fn (string $field): ?Money => trim($given[$field] ?? '') === '' ? null
            : Money::typed(trim((string) $given[$field]), $currency, $field);
        [$regular, $introductory] = [$price('price'), $price('introductory')];
        $title = trim($given['title'] ?? '') === '' ? trim($given['name']) : trim((string) $given['title']);
        $funnel = DB::transaction(fn (): Funnel => $new->fromStarter($this->business(), Goal::from($given['goal']), trim($given['name']),
            $title, is_array($file) || $file === null ? null : $uploads->file($this->business(), $file), $regular,
            WebinarMode::tryFrom($given['mode'] ?? '') ?? WebinarMode::Live, $introductory, $language, $request->boolean('guide')));

        return response()->json(['id' => $funnel->id], 201);
    }

    public function show(string $funnel, FunnelNumbers $numbers, DraftKinds $kinds): JsonResponse
    {
        $found = $this->funnel($funnel);

        return response()->json(FunnelJson::draft($found, $kinds) + [
            'pageNumbers' => (object) $numbers->byPage($found),
            'emailNumbers' => (object) $numbers->byEmail($found),
            'sequenceNumbers' => (object) $numbers->bySequence($found),
            'popupNumbers' => (object) PopupNumbers::of(array_values(array_map(strval(...),
                DraftPart::there($found->id, Popup::kind())->pluck('id')->all()))),
        ]);
    }

    /** What the timeline shows of a time: the last days, or all time where none are named. */
    public function numbers(Request $request, string $funnel, FunnelNumbers $numbers): JsonResponse
    {
        $found = $this->funnel($funnel);
        $days = Input::number($request, 'days', 0, 0, 400);
        $zone = $this->business()->zone();
        $from = $days === 0 ? '' : Days::last($days, CarbonImmutable::now(), $zone)[0];
        $since = $from === '' ? CarbonImmutable::createFromTimestamp(0) : (new CarbonImmutable($from, $zone))->utc();
        ['visitors' => $visitors, 'ways' => $ways] = WayNumbers::of(DraftPlan::read($found), Period::since($from === '' ? '0000-01-01'
            : $from), $since);

        return response()->json(['pages' => (object) $numbers->byPage($found, $from), 'visitors' => (object) $visitors,
            'emails' => (object) $numbers->byEmail($found, $from === '' ? null : $since), 'ways' => (object) $ways]);
    }

    public function update(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:120'],
            'address' => ['sometimes', 'string', 'max:200'],
            'look' => ['sometimes', Rule::in(array_keys(Looks::all()))], 'parameters' => ['sometimes', 'array'],
            'currency' => ['sometimes', 'string', 'max:3'], 'language' => ['sometimes', 'string'],
            'parameters.*' => ['string'], 'labels' => ['sometimes', 'array'], 'labels.*' => ['string'],
            'logo' => ['sometimes', 'nullable', 'string'], 'icon' => ['sometimes', 'nullable', 'string']],
            ['name.required' => 'Please give the funnel a name. Only you will see it.', 'name.max' => 'A name has 120 characters at most.',
                'look.in' => 'There is no such look.']);
        if (isset($given['address']) && $given['address'] !== $found->address) {
            WebAddress::check($given['address']);
            if (NewFunnel::taken($given['address'], $found->id)) {
                throw Invalid::at('address',
                    "“{$given['address']}” is in use by another of your funnels. Please choose another web address.");
            }
        }
        if ($request->has('changes')) {
            $given['look_changes'] = LookChanges::fromShape(Shape::of($request->input('changes'), 'changes'))->toArray();
        }
        if ($request->has('fields')) {
            $given['fields'] = array_map(RichText::plain(...), MergeFields::ownFields(Shape::of($request->input('fields'), 'fields')));
        }
        if ($request->has('times')) {
            $given['times'] = OpeningTimes::fromShape(Shape::of($request->input('times') ?? [], 'times'))->toArray();
        }
        if (isset($given['labels'])) {
            $given['labels'] = Labels::read($given['labels']);
        }
        if (isset($given['currency'])) {
            $given['currency'] = Currency::of($given['currency'])->code;
        }
        if (isset($given['language']) && ! Languages::isKnown($given['language'])) {
            throw Invalid::at('language', 'There is no such language. Please choose one from the list.');
        }
        if (isset($given['parameters'])) {
            $given['parameters'] = MergeFields::parameterNames(array_values($given['parameters']));
        }
        foreach (['logo', 'icon'] as $picture) {
            if (isset($given[$picture]) && ! Upload::query()->where('business_id', $found->business_id)->where('kind', 'picture')
                ->whereKey($given[$picture])->exists()) {
                throw Invalid::at($picture, 'This picture is not in your library.');
            }
        }
        DB::transaction(function () use ($found, $given): void {
            // Once public, an address leads to the funnel for good.
            if (isset($given['address']) && $given['address'] !== $found->address) {
                OldAddress::query()->where('funnel_id', $found->id)->whereNull('page_id')->where('address', $given['address'])->delete();
                if ($found->live_version_id !== null) {
                    OldAddress::query()->firstOrCreate(['funnel_id' => $found->id, 'page_id' => null, 'address' => $found->address]);
                }
            }
            $found->forceFill($given)->save();
        });

        return response()->json(FunnelJson::summary($found) + FunnelJson::shared($found));
    }

    /** Takes over one of the things that came with an archive, discards it, or undoes either. */
    public function endSetAside(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $end = EndOfSetAside::tryFrom(Input::text($request, 'end')) ?? throw Invalid::at('end', 'Allow it, or discard it.');
        SetAside::end($found, Input::text($request, 'part'), Input::text($request, 'what'), $end);

        return response()->json(['setAside' => SetAside::waiting($found->refresh())]);
    }

    public function duplicate(string $funnel, NewFunnel $new): JsonResponse
    {
        return response()->json(['id' => $new->duplicate($this->funnel($funnel))->id], 201);
    }

    public function archive(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $found->forceFill(['archived_at' => CarbonImmutable::now()])->save();

        return response()->json(FunnelJson::summary($found));
    }

    public function restore(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $found->forceFill(['archived_at' => null])->save();

        return response()->json(FunnelJson::summary($found));
    }
}
