<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Funnels\CleanDocument;
use App\Funnels\DraftPlan;
use App\Models\Page;
use App\Models\Way;
use App\Site\PageRenderer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Lantern\Core\Funnel\Outcome;
use Lantern\Core\Funnel\PageRole;
use Lantern\Core\Funnel\Way as WayPlan;
use Lantern\Core\Funnel\WebAddress;
use Lantern\Core\Page\Colour;
use Lantern\Core\Page\Looks;
use Lantern\Core\Support\Invalid;

final class PageController extends StudioController
{
    /** Nothing on a page that is shown inside the Studio may run; not even what an owner put there. */
    private const NO_SCRIPT = "default-src 'none'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

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
                $given['document'] = CleanDocument::of($request->input('document'), $found->funnel)->toArray();
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();

            return response()->json(Json::page($found));
        });
    }

    public function connect(Request $request, string $page): JsonResponse
    {
        $found = $this->part(Page::class, $page);
        $given = $request->validate(['outcome' => ['required', Rule::in(array_map(fn (Outcome $o): string => $o->value, PageRole::from($found->role)->outcomes()))],
            'toPage' => ['nullable', 'string', 'max:40'], 'toUrl' => ['nullable', 'string', 'max:2000']], ['outcome.in' => 'This page has no such outcome.']);
        $outcome = Outcome::from($given['outcome']);
        if (($given['toUrl'] ?? '') !== '') {
            $way = WayPlan::outside($found->id, $outcome, $given['toUrl']);
        } elseif (Page::query()->where('funnel_id', $found->funnel_id)->where('id', $given['toPage'] ?? '')->exists()) {
            $way = WayPlan::toPage($found->id, $outcome, (string) $given['toPage']);
        } else {
            throw Invalid::at('toPage', 'Please choose a page of this funnel, or fill in a web address.');
        }
        Way::query()->updateOrCreate(['page_id' => $found->id, 'outcome' => $outcome->value], ['to_page' => $way->toPage, 'to_url' => $way->toUrl]);

        return response()->json($way->toArray());
    }

    /** The page as the desk shows it, in the look that is being tried on if one is named. */
    public function preview(Request $request, string $page, PageRenderer $renderer): Response
    {
        $found = $this->part(Page::class, $page);
        $funnel = $found->funnel;
        $look = $request->query('look');
        if (is_string($look) && isset(Looks::all()[$look])) {
            $funnel->look = $look;
        }
        $accent = $request->query('accent');
        if (is_string($accent) && $accent !== '') {
            $funnel->accent = Colour::of($accent, 'accent')->hex();
        }

        return new Response($renderer->page(DraftPlan::read($funnel), DraftPlan::page($found), editing: true), 200, ['Content-Security-Policy' => self::NO_SCRIPT]);
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
}
