<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Models\Person;
use App\Popups\PopupNumbers;
use App\Popups\PopupView;
use App\Records\PersonLookup;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupCheck;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\Situation;
use Lantern\Core\Popups\TriggerKind;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the desk of a pop-up asks beside what it shares with pages. Nothing here stores anything. */
final class PopupController extends StudioController
{
    /** What it brought: by trigger and by place. */
    public function show(string $part): JsonResponse
    {
        $popup = $this->popup($part);

        return response()->json(['numbers' => PopupNumbers::of([$popup->id])[$popup->id] ?? null] + PopupNumbers::inDetail($popup->id));
    }

    /** All pop-ups of a funnel with what they brought, by trigger and by place. */
    public function index(string $funnel): JsonResponse
    {
        $rows = DraftPart::there($this->funnel($funnel)->id, Popup::kind())->orderBy('position')->get(['id', 'name']);
        $numbers = PopupNumbers::of(array_values(array_map(strval(...), $rows->pluck('id')->all())));
        $shown = $rows->filter(fn (DraftPart $row): bool => isset($numbers[$row->id]));

        return response()->json(['popups' => array_values($shown->map(fn (DraftPart $row): array => ['id' => $row->id, 'name' => $row->name,
            'numbers' => $numbers[$row->id]] + PopupNumbers::inDetail($row->id))->all())]);
    }

    /** In another design: the same words and pictures. */
    public function redesign(Request $request, string $part): JsonResponse
    {
        $row = $this->draftPart($part, Popup::kind());
        $popup = Popup::fromShape(Shape::of(array_intersect_key($request->all(), array_flip(['document', 'frame', 'asks', 'after', 'spot']))
            + $this->popup($part)->toArray()));
        $moved = PopupDesigns::applied($popup, PopupDesigns::get(Input::text($request, 'design')), Ids::next(...),
            DraftPlan::read($row->funnel)->firstParts());

        return response()->json(['document' => $moved->document->toArray(), 'frame' => $moved->frame->toArray()]);
    }

    /** A section for a step that it has not had yet. */
    public function step(Request $request, string $part): JsonResponse
    {
        $this->popup($part);
        $section = match (Input::text($request, 'step')) {
            'question' => PopupDesigns::question(Ids::next(...)),
            'thanks' => PopupDesigns::thanks(Ids::next(...)),
            default => throw Invalid::at('step', 'A pop-up has no such step.'),
        };

        return response()->json(['section' => $section->toArray()], 201);
    }

    /** Would it be shown to a made-up visitor, and if not, which rules say no? */
    public function try(Request $request, string $part): JsonResponse
    {
        $popup = $this->popup($part);
        $now = CarbonImmutable::now();
        $days = fn (string $key): int => Input::number($request, $key, -1, -1, 3650);
        $facts = [];
        foreach (['closedDays' => PopupFactType::Closed, 'shownDays' => PopupFactType::Shown] as $key => $type) {
            if ($days($key) >= 0) {
                $facts[] = new PopupFact($popup->id, $type, $now->subDays($days($key)), 'an earlier view');
            }
        }
        $email = mb_strtolower(trim(Input::text($request, 'person')));
        $person = $email === '' ? null : Person::query()->with('business')->where('business_id', $this->business()->id)
            ->whereNull('erased_at')
            ->where('email_key', $email)->first();
        if ($email !== '' && $person === null) {
            throw Invalid::at('person', 'Nobody on your list has this address.');
        }
        $site = Input::text($request, 'site');
        $verdict = PopupCheck::explained($popup, new Situation($now, $this->business()->zone(),
            page: $site === '' ? Input::text($request, 'page') : null, quiet: $this->isQuiet($part, Input::text($request, 'page')),
            site: $site === '' ? null : $site, address: Input::text($request, 'address'), phone: $request->boolean('phone'),
            parameters: PopupView::parametersOf(ltrim(mb_substr(Input::text($request, 'source'), 0, 500), '?')),
            languages: array_filter([Input::text($request, 'language')]),
            visit: Input::number($request, 'visit', 1, 1, 1000), since: $now, view: 'this view', facts: $facts,
            joined: $request->boolean('joined') ? array_fill_keys($popup->forms(), $now->subDay()) : [],
            fromEmail: $request->boolean('fromEmail'),
            bought: $request->boolean('bought'), person: $person === null ? null : PersonLookup::forRules($person, $now),
            trigger: TriggerKind::tryFrom(Input::text($request, 'trigger'))));

        return response()->json(['shows' => $verdict->shows(), 'refusals' => array_values($verdict->refusals),
            'pattern' => $verdict->pattern]);
    }

    private function isQuiet(string $part, string $page): bool
    {
        return DraftPlan::read($this->draftPart($part, Popup::kind())->funnel)->page($page)?->role->isQuiet() ?? false;
    }

    private function popup(string $id): Popup
    {
        $part = $this->draftPart($id, Popup::kind())->part();

        return $part instanceof Popup ? $part : throw new NotFoundHttpException;
    }
}
