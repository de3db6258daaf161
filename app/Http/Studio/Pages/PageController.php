<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Drafts\DraftPages;
use App\Drafts\DraftWays;
use App\Drafts\Kinds\DraftKinds;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Models\OwnDesign;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What is of pages alone: they come with the ways around them, in an order, and their outcomes lead somewhere. */
final class PageController extends StudioController
{
    public function __construct(private readonly DraftPages $pages, private readonly DraftKinds $kinds)
    {
    }

    /** A page of a role, of the owner's own design, or an empty one. */
    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate([
            'role' => ['required', Rule::in(array_map(fn (PageRole $r): string => $r->value, PageRole::ofPages()))],
            'after' => ['nullable', 'string', 'max:40'],
            'design' => ['nullable', 'string', 'max:40'], 'empty' => ['nullable', 'boolean']],
            ['role.*' => 'Please choose what the page is for.']);
        $design = ($given['design'] ?? null) === null ? null
            : OwnDesign::query()->where('business_id', $found->business_id)->where('kind', 'page')->whereNull('deleted_at')
                ->where('id', $given['design'])->firstOrFail();

        return $this->changed($this->pages
            ->add($found, PageRole::from($given['role']), $given['after'] ?? null, $design, (bool) ($given['empty'] ?? false)));
    }

    public function duplicate(string $page): JsonResponse
    {
        return $this->changed($this->pages->duplicate($this->draftPart($page, PagePlan::kind())));
    }

    public function reorder(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $given = $request->validate(['pages' => ['required', 'array', 'max:'.PagePlan::most()], 'pages.*' => ['string', 'max:40']]);
        $this->pages->reorder($found, array_values($given['pages']));

        return response()->json(['pages' => $found->parts()->where('kind', PagePlan::kind())->pluck('id')->all()]);
    }

    public function connect(Request $request, string $page): JsonResponse
    {
        $found = $this->draftPart($page);
        if (! in_array($found->kind, [PagePlan::kind(), Guide::kind()], true)) {
            throw new NotFoundHttpException;
        }
        $given = $request->validate(['outcome' => ['required',
            Rule::in(array_map(fn (Outcome $o): string => $o->value, self::outcomes($found)))],
            'toPage' => ['nullable', 'string', 'max:40'], 'toUrl' => ['nullable', 'string', 'max:2000'], 'none' => ['nullable', 'boolean']],
            ['outcome.in' => 'This page has no such outcome.']);
        $outcome = Outcome::from($given['outcome']);
        if ($given['none'] ?? false) {
            DraftWays::end($found->funnel, $found->id, $outcome);

            return response()->json(['page' => $found->id, 'outcome' => $outcome->value]);
        }
        if (($given['toUrl'] ?? '') !== '') {
            $way = WayPlan::outside($found->id, $outcome, $given['toUrl']);
        } elseif ($found->funnel->parts()->whereIn('kind', [PagePlan::kind(), Guide::kind()])->where('id', $given['toPage'] ?? '')
            ->exists()) {
            $way = WayPlan::toPage($found->id, $outcome, (string) $given['toPage']);
        } else {
            throw Invalid::at('toPage', 'Please choose a page of this funnel, or fill in a web address.');
        }
        DraftWays::draw($found->funnel, $way);

        return response()->json($way->toArray());
    }

    /** @return list<Outcome> */
    private static function outcomes(DraftPart $page): array
    {
        if ($page->kind === Guide::kind()) {
            return PageRole::Guide->possibleOutcomes();
        }
        $outcomes = PageRole::from($page->text('role'))->possibleOutcomes();

        // What can be bought on a page leads on from there, whatever its role.
        if (! in_array(Outcome::Bought, $outcomes, true) && str_contains((string) json_encode($page->definition), '"kind":"checkout"')) {
            $outcomes = [Outcome::Bought, ...$outcomes];
        }

        // A form on a page means that people can join there, whatever its role.
        return in_array(Outcome::Joined, $outcomes, true) ? $outcomes : [...$outcomes, Outcome::Joined];
    }

    /** @param  array{DraftPart, list<string>}  $made */
    private function changed(array $made): JsonResponse
    {
        return response()->json(['page' => $this->kinds->json($made[0]->refresh()), 'sentences' => $made[1]], 201);
    }
}
