<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPages;
use App\Drafts\DraftPlan;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Models\OwnDesign;
use App\Models\Page;
use App\Models\Way;
use App\Support\RichText;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The pages of a draft: what stands on them, what they are called, where they lead; and pages that come and go. */
final class PageController extends StudioController
{
    public function __construct(private readonly DraftPages $pages)
    {
    }

    public function update(Request $request, string $page): JsonResponse
    {
        return DB::transaction(function () use ($request, $page): JsonResponse {
            $found = $this->part(Page::class, $page);
            $this->sameRevision($request, $found->revision);
            $given = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:120'], 'address' => ['sometimes', 'string', 'max:200']],
                ['name.required' => 'Please give the page a name. Only you will see it.', 'name.max' => 'A name has 120 characters at most.']);
            if (isset($given['address']) && $given['address'] !== $found->address) {
                $this->checkAddress($found, $given['address']);
            }
            if ($request->has('document')) {
                $given['document'] = DraftPlan::asStored(CleanDocument::of($request->input('document'), $found->funnel->business_id))->toArray();
            }
            if ($request->has('settings')) {
                $given['settings'] = self::settings($request->input('settings'))->toArray();
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();

            return response()->json(Json::page($found));
        });
    }

    /** A page of a role, of the owner's own design, or an empty one. */
    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate(['role' => ['required', Rule::enum(PageRole::class)], 'after' => ['nullable', 'string', 'max:40'],
            'design' => ['nullable', 'string', 'max:40'], 'empty' => ['nullable', 'boolean']], ['role.*' => 'Please choose what the page is for.']);
        $design = ($given['design'] ?? null) === null ? null
            : OwnDesign::query()->where('business_id', $found->business_id)->where('kind', 'page')->whereNull('deleted_at')->where('id', $given['design'])->firstOrFail();

        return $this->changed($this->pages->add($found, PageRole::from($given['role']), $given['after'] ?? null, $design, (bool) ($given['empty'] ?? false)));
    }

    public function duplicate(string $page): JsonResponse
    {
        return $this->changed($this->pages->duplicate($this->part(Page::class, $page)));
    }

    public function destroy(string $page): JsonResponse
    {
        $found = $this->part(Page::class, $page);
        if ($found->taken_out !== null) {
            throw Invalid::at('page', 'This page is taken out already.');
        }

        return response()->json(['sentences' => $this->pages->takeOut($found)]);
    }

    public function restore(string $page): JsonResponse
    {
        $found = $this->part(Page::class, $page);
        $this->pages->bringBack($found);

        return response()->json(Json::page($found->refresh()));
    }

    public function reorder(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate(['pages' => ['required', 'array', 'max:'.DraftPages::MOST], 'pages.*' => ['string', 'max:40']]);
        $this->pages->reorder($found, array_values($given['pages']));

        return response()->json(['pages' => $found->pages()->pluck('id')->all()]);
    }

    public function connect(Request $request, string $page): JsonResponse
    {
        $found = $this->part(Page::class, $page);
        $given = $request->validate(['outcome' => ['required', Rule::in(array_map(fn (Outcome $o): string => $o->value, self::outcomes($found)))],
            'toPage' => ['nullable', 'string', 'max:40'], 'toUrl' => ['nullable', 'string', 'max:2000'], 'none' => ['nullable', 'boolean']], ['outcome.in' => 'This page has no such outcome.']);
        $outcome = Outcome::from($given['outcome']);
        if ($given['none'] ?? false) {
            Way::query()->where('page_id', $found->id)->where('outcome', $outcome->value)->delete();

            return response()->json(['page' => $found->id, 'outcome' => $outcome->value]);
        }
        if (($given['toUrl'] ?? '') !== '') {
            $way = WayPlan::outside($found->id, $outcome, $given['toUrl']);
        } elseif (Page::query()->where('funnel_id', $found->funnel_id)->whereNull('taken_out')->where('id', $given['toPage'] ?? '')->exists()) {
            $way = WayPlan::toPage($found->id, $outcome, (string) $given['toPage']);
        } else {
            throw Invalid::at('toPage', 'Please choose a page of this funnel, or fill in a web address.');
        }
        Way::query()->updateOrCreate(['page_id' => $found->id, 'outcome' => $outcome->value], ['to_page' => $way->toPage, 'to_url' => $way->toUrl]);

        return response()->json($way->toArray());
    }

    /** @return list<Outcome> */
    private static function outcomes(Page $page): array
    {
        $outcomes = PageRole::from($page->role)->possibleOutcomes();

        // A form on a page means that people can join there, whatever its role.
        return in_array(Outcome::Joined, $outcomes, true) ? $outcomes : [...$outcomes, Outcome::Joined];
    }

    private static function settings(mixed $input): PageSettings
    {
        $input = is_array($input) ? $input : [];
        foreach (['title', 'description'] as $words) {
            if (is_string($input[$words] ?? null)) {
                $input[$words] = RichText::plain($input[$words]);
            }
        }

        return PageSettings::fromShape(Shape::of($input, 'settings'));
    }

    private function checkAddress(Page $page, string $address): void
    {
        if ($page->position === 0) {
            throw Invalid::at('address', 'The entry page is at the address of the funnel itself.');
        }
        WebAddress::check($address);
        if (Page::query()->where('funnel_id', $page->funnel_id)->where('address', $address)->exists()) {
            throw Invalid::at('address', "Another page of this funnel is at “{$address}”. Please choose another web address.");
        }
    }

    /** @param  array{Page, list<string>}  $made */
    private function changed(array $made): JsonResponse
    {
        return response()->json(['page' => Json::page($made[0]->refresh()), 'sentences' => $made[1]], 201);
    }
}
