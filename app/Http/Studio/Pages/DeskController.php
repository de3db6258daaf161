<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPages;
use App\Drafts\DraftPlan;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\OwnDesign;
use App\Rendering\PageRenderer;
use App\Rendering\PictureFacts;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GuideCheck;
use Lantern\Core\Checks\PageCheck;
use Lantern\Core\Checks\PageFix;
use Lantern\Core\Checks\PopupCheck;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Experiments\Content\PopupContent;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Design\DesignWords;
use Lantern\Core\Page\Design\PageDesigns;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\Frame;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What the page desk asks while somebody works: the page drawn from what is on the screen, what hurts on it, and
 * sections, blocks and designs worked out by the core. Nothing here stores anything; the desk saves what it keeps.
 */
final class DeskController extends StudioController
{
    public function __construct(private readonly PageRenderer $renderer, private readonly PictureFacts $facts)
    {
    }

    /** The page as it is stored, as the desk shows it. */
    public function page(Request $request, string $page): Response
    {
        $found = $this->onDesk($page);
        $plan = DraftPlan::read($found->funnel);
        $popup = self::popup($plan, $found);
        if ($popup !== null) {
            return new Response($this->renderer->popupForDesk($plan, $popup, $plan->page(Input::text($request, 'under')),
                $found->funnel->business, self::shown($request)), 200, AnswerKind::Draft->headers());
        }
        $drawn = $found->kind === PagePlan::kind() ? $plan->page($found->id) ?? self::stored($found) : self::stored($found);
        $drawn = $drawn->with($drawn->document->withShared(DraftPlan::sharedSections($found->funnel)));

        return new Response($this->renderer->forDesk($plan, $drawn, $found->funnel->business, null, self::shown($request)), 200,
            AnswerKind::Draft->headers());
    }

    /** The page drawn from what is on the screen: some of its sections, or all of it. */
    public function draw(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        // Of a few sections only those few are shown, so only their words need to be clean.
        $wanted = $request->input('sections') === null || $request->boolean('sample') ? null
            : Shape::of($request->all())->texts('sections', Document::MOST_SECTIONS, 40);
        [$plan, $drawn] = $this->onScreen($request, $found, $wanted);
        $business = $found->funnel->business;
        $popup = self::popup($plan, $found);
        if ($popup !== null && $wanted === null) {
            return response()->json(['html' => $this->renderer->popupForDesk($plan,
                $popup->framed(Frame::fromShape(Shape::of($request->all())->optionalGroup('frame')), $drawn->document),
                $plan->page(Input::text($request, 'under')), $business, self::shown($request))]);
        }
        if ($request->boolean('sample')) {
            return response()->json(['html' => $this->renderer
                ->forDesk($plan, $drawn, $business, ['first_name' => 'Robin', 'last_name' => 'Ash', 'email' => 'robin@example.com'],
                    self::shown($request))]);
        }
        if ($wanted === null) {
            return response()->json(['html' => $this->renderer->forDesk($plan, $drawn, $business, null, self::shown($request))]);
        }

        return response()->json(['sections' => (object) $this->renderer->sectionsForDesk($plan, $drawn, $business, $wanted,
            self::shown($request))]);
    }

    /** The state of its deadlines in which the owner looks at the page. */
    private static function shown(Request $request): ShownState
    {
        return ShownState::tryFrom(Input::text($request, 'deadline')) ?? ShownState::TwoDays;
    }

    /** The page check, on what is on the screen. */
    public function check(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        [$plan, $checked] = $this->onScreen($request, $found);
        $facts = $this->facts
            ->known($this->facts->uploads($plan, [$checked], $found->funnel->business_id), $found->funnel->business, weighed: true);

        $popup = self::popup($plan, $found)?->with($checked->document);

        return response()->json(['findings' => array_map(fn (Finding $f): array => $f->toArray(),
            match (true) {
                $popup !== null => PopupCheck::ofOne($plan, $popup, $facts),
                $found->kind === GuidePage::kind() => GuideCheck::page($plan, self::guidePage($found)->with($checked->document), $facts),
                default => PageCheck::of($plan, $checked, $facts),
            })]);
    }

    /** The document with one finding fixed. */
    public function fix(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        $document = CleanDocument::of($request->input('document'), $found->funnel->business_id);
        $shape = Shape::of($request->all());

        return response()->json(['document' => PageFix::apply($document, $shape->text('code', 40), $shape->text('place', 40))->toArray()]);
    }

    /** A new section: of a design that ships, of one of the owner's, or pasted. */
    public function newSection(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        $plan = DraftPlan::read($found->funnel);
        $own = $request->input('own');
        if (is_string($own)) {
            $design = OwnDesign::query()->where('business_id', $found->funnel->business_id)->where('kind', 'section')
                ->whereNull('deleted_at')->findOrFail($own);
            $section = DraftPages::fitted(Document::fromArray($design->document), $plan)->sections[0]
                ?? throw Invalid::at('own', 'This design is empty.');
        } elseif ($request->has('section')) {
            // Pasted from another page, perhaps of another funnel.
            $pasted = CleanDocument::one($request->input('section'), $found->funnel->business_id);
            $section = DraftPages::fitted(new Document([$pasted], Background::paper()), $plan)->sections[0];
        } else {
            $section = Designs::get(Shape::of($request->all())->text('design', 40))
                ->section(Ids::next(...), $plan->firstParts());
        }

        return response()->json(['section' => $section->toArray()], 201);
    }

    /** A section in another design, with the same words and pictures. */
    public function redesign(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        $plan = DraftPlan::read($found->funnel);
        $section = CleanDocument::one($request->input('section'), $found->funnel->business_id);

        return response()->json(['section' => Designs::get(Shape::of($request->all())->text('design', 40))
            ->applied($section, Ids::next(...), $plan->firstParts())->toArray()]);
    }

    /** The whole page in another design, with the same words and pictures. */
    public function restyle(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        $plan = DraftPlan::read($found->funnel);
        $document = CleanDocument::of($request->input('document'), $found->funnel->business_id);

        return response()->json(['document' => PageDesigns::applied(Shape::of($request->all())->text('design', 40), $document,
            Ids::next(...),
            $plan->firstParts())->toArray()]);
    }

    /** A new block, or one more entry for a list. */
    public function newBlock(Request $request, string $page): JsonResponse
    {
        $found = $this->onDesk($page);
        $plan = DraftPlan::read($found->funnel);
        $shape = Shape::of($request->all());
        $kind = $shape->choice('kind', BlockKind::class);
        $in = $shape->choice('section', SectionKind::class);
        if ($request->boolean('item')) {
            return response()->json(['item' => DesignWords::item($kind, $in)], 201);
        }

        return response()->json(['block' => DesignWords::block($kind, $in, $plan->firstParts())
            ->withId(Ids::next())->toArray()], 201);
    }

    /** All designs for sections of one kind, drawn in the funnel's look, one below the other. */
    public function designs(Request $request, string $funnel, string $kind): Response
    {
        $found = $this->funnel($funnel);
        $plan = DraftPlan::read($found);
        $of = SectionKind::tryFrom($kind) ?? throw new NotFoundHttpException;
        $sections = array_map(fn ($d): Section => $d->section(fn (): string => $d->id.'_'.Ids::next(), $plan->firstParts()),
            Designs::of($of));

        return $this->drawn($plan, $found, $sections);
    }

    /** The owner's own designs, drawn likewise. */
    public function ownDesigns(string $funnel): Response
    {
        $found = $this->funnel($funnel);
        $plan = DraftPlan::read($found);
        $sections = [];
        foreach (OwnDesign::query()->where('business_id', $found->business_id)->where('kind', 'section')->whereNull('deleted_at')
            ->latest('id')->limit(40)->get() as $design) {
            foreach (DraftPages::fitted(Document::fromArray($design->document), $plan)->sections as $section) {
                $sections[] = new Section($design->id.'_'.$section->id, $section->kind, $section->arrangement, $section->blocks,
                    $section->background, $section->look);
            }
        }

        return $this->drawn($plan, $found, $sections);
    }

    /** @param  list<Section>  $sections */
    private function drawn(Plan $plan, Funnel $funnel, array $sections): Response
    {
        $page = new PagePlan(Ids::next(), PageRole::Free, 'Designs', 'designs', new Document($sections, Background::paper()));

        return new Response($this->renderer->forDesk($plan, $page, $funnel->business), 200, AnswerKind::Draft->headers());
    }

    /**
     * The plan with what is on the screen in place of what is stored: the page, the shared sections, the look.
     *
     * @param  list<string>|null  $only  the sections that will be shown
     * @return array{Plan, PagePlan}
     */
    private function onScreen(Request $request, DraftPart $page, ?array $only = null): array
    {
        $funnel = $page->funnel;
        $shape = Shape::of($request->all());
        if ($request->has('look')) {
            $funnel->look = Looks::get($shape->text('look', 40))->id;
        }
        if ($request->has('changes')) {
            $funnel->look_changes = LookChanges::fromShape($shape->group('changes'))->toArray();
        }
        foreach (['logo', 'icon'] as $picture) {
            if ($request->has($picture)) {
                $funnel->$picture = $shape->optionalText($picture, 40);
            }
        }
        $stored = DraftPlan::read($funnel);
        $shared = DraftPlan::sharedSections($funnel);
        foreach ($shape->optionalGroup('shared')?->all() ?? [] as $id => $section) {
            if (isset($shared[$id])) {
                $shared[$id] = CleanDocument::one($section, $funnel->business_id);
            }
        }
        $document = $request->has('document') ? CleanDocument::of($request->input('document'), $funnel->business_id, $only)
            : self::stored($page)->document;
        $shown = self::stored($page)->with($document->withShared($shared));

        // Forms are drawn as they stand on the screen as well; one that cannot be taken yet is drawn as it is stored.
        foreach ($shape->groups('forms', 50) as $form) {
            try {
                $stored = $stored->form($form->text('id', 40)) === null ? $stored : $stored->withPart(FormPlan::fromShape($form));
            } catch (Invalid) {
                // The save that is under way says what is wrong with it.
            }
        }

        return [$shown->isPopup() || $shown->isOfGuide() ? $stored : $stored->withPart($shown), $shown];
    }

    private static function guidePage(DraftPart $row): GuidePage
    {
        $part = $row->part();

        return $part instanceof GuidePage ? $part : throw new NotFoundHttpException;
    }

    private static function stored(DraftPart $row): PagePlan
    {
        $part = $row->part();

        return match (true) {
            $part instanceof PagePlan => $part,
            $part instanceof Popup => PagePlan::ofPopup($part),
            $part instanceof GuidePage => PagePlan::ofGuidePage($part),
            $part instanceof Variant => self::asPage($row, $part),
            default => throw new NotFoundHttpException,
        };
    }

    /** A variant is drawn as its page or its pop-up is, with what differs. */
    private static function asPage(DraftPart $row, Variant $variant): PagePlan
    {
        $test = DraftPart::there($row->funnel_id, SplitTest::kind())->find($variant->test)?->part();
        $part = $test instanceof SplitTest ? DraftPart::there($row->funnel_id, $test->of->partKind())->find($test->part)?->part() : null;
        $document = $variant->content->document();

        return match (true) {
            $document === null => throw new NotFoundHttpException,
            $part instanceof PagePlan => $part->with($document),
            $part instanceof Popup => PagePlan::ofPopup($part->with($document)),
            default => throw new NotFoundHttpException,
        };
    }

    /** The pop-up that is worked on, or of which a variant is; null where it is a page. */
    private static function popup(Plan $plan, DraftPart $row): ?Popup
    {
        $part = $row->part();
        $test = $part instanceof Variant ? $plan->part($part->test) : null;
        $of = $test instanceof SplitTest ? $plan->popup($test->part) : null;

        return $part instanceof Variant && $part->content instanceof PopupContent && $of !== null ? $part->content->as($of)
            : $plan->popup($row->id);
    }

    /** A page, or a pop-up, a variant or a page of a guide, which are made on the same desk. */
    private function onDesk(string $id): DraftPart
    {
        $found = $this->draftPart($id);

        return in_array($found->kind, [PagePlan::kind(), Popup::kind(), Variant::kind(), GuidePage::kind()], true) ? $found
            : throw new NotFoundHttpException;
    }
}
