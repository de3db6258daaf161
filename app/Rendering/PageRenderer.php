<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Business;
use App\Support\Hosts;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Illuminate\Support\HtmlString;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Guides\ReadingTime;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Popups\Popup;
use LogicException;

/**
 * Draws a page as HTML. A published page is drawn once, with slots (see {@see Slots}) for what is personal; the
 * Studio's desk draws the same page with marks that say which words belong to which block.
 */
final readonly class PageRenderer
{
    /**
     * Goes up when the markup changes in a way that the styles of today no longer fit pages drawn before. Versions
     * drawn by an earlier one are drawn anew from their plan (`lantern:redraw`, and meanwhile with each visit).
     */
    public const REVISION = 13;

    public function __construct(private PictureFacts $facts)
    {
    }

    private static function voice(Plan $plan, PagePlan $page, Business $business): SiteVoice
    {
        return Voices::of($plan->languageOf($page), $business, $plan->phrases());
    }

    /**
     * The page as it is published: HTML with slots.
     *
     * @param  string  $variant  of a page in a split test: the letter of what is drawn; '' for any other
     */
    public function forVisitors(Plan $plan, PagePlan $page, Business $business, string $variant = ''): string
    {
        $html = (string) preg_replace('/>\s+</', '> <', $this->html($this->view($plan, $page, Mode::Visitor, $business), $variant));

        return Slots::withMergeFields($html, $plan->prices(self::voice($plan, $page, $business)) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);
    }

    /**
     * The page on the desk: no script, merge fields as they are written.
     *
     * @param  array<string, string>|null  $sample  a reader's fields, to fill them in and lock the words
     * @param  ShownState  $shown  the state of deadlines in which it is shown
     */
    public function forDesk(Plan $plan, PagePlan $page, Business $business, ?array $sample = null,
        ShownState $shown = ShownState::TwoDays): string
    {
        $view = $this->view($plan, $page, $sample === null ? Mode::Desk : Mode::Visitor, $business, $shown);
        $html = $this->html($view);

        return $this->filledForDesk($plan, $page, $business, $html, $sample, $shown);
    }

    /** The page as somebody sees it in a rehearsal: no script, and nothing on it leads anywhere. */
    public function asSeen(Plan $plan, PagePlan $page, Business $business, SeenAt $seen): string
    {
        $uploads = $this->facts->uploads($plan, [$page], $business->id);
        $view = new PageView($plan, $page, Mode::Desk, $uploads, $this->facts->known($uploads, $business), business: $business,
            seen: $seen);
        $html = Slots::withMergeFields($this->html($view), $plan->prices(self::voice($plan, $page, $business)) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);

        return Hosts::withMediaOfSite(Slots::fill($html, ['head' => SiteAssets::head(PageAssets::withAllStyles($plan, $page), false)],
            $seen->reader));
    }

    /** A pop-up as it is published: a page of its own, of which its steps are taken where it is shown over another. */
    public function forPopup(Plan $plan, Popup $popup, Business $business): string
    {
        $view = $this->view($plan, PagePlan::ofPopup($popup), Mode::Visitor, $business);
        $html = (string) preg_replace('/>\s+</', '> <', $this->popupHtml($view, $popup));

        return Slots::withMergeFields($html, $plan->prices(self::voice($plan, PagePlan::ofPopup($popup), $business)) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);
    }

    /**
     * A pop-up on the desk, standing in its frame over a page.
     *
     * @param  PagePlan|null  $under  the page below it, drawn as it is and not to be edited
     */
    public function popupForDesk(Plan $plan, Popup $popup, ?PagePlan $under, Business $business,
        ShownState $shown = ShownState::TwoDays): string
    {
        $page = PagePlan::ofPopup($popup);
        $below = null;
        if ($under !== null) {
            $view = $this->view($plan, $under, Mode::Visitor, $business, $shown);
            $below = [implode('', array_map(fn (Section $s): string => $this->section($view, $s), $under->document->sections)),
                BackgroundView::ofPage($view)->style];
        }
        $view = $this->view($plan, $page, Mode::Desk, $business, $shown);

        return $this->filledForDesk($plan, $page, $business, $this->popupHtml($view, $popup, $below), null, $shown);
    }

    /** @param  array{string, string}|null  $under  the page below it, and the style of its ground */
    private function popupHtml(PageView $view, Popup $popup, ?array $under = null): string
    {
        $steps = PopupFrame::steps($popup);
        $sections = [];
        foreach ($view->document->sections as $section) {
            $sections[$steps[$section->id] ?? $section->id] = $this->section($view, $section);
        }

        return View::make('site.popup', ['view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'popup' => $popup,
            'ground' => BackgroundView::ofPage($view), 'sections' => $sections, 'underStyle' => $under[1] ?? '']
            + ($under === null ? [] : ['under' => new HtmlString($under[0])]))->render();
    }

    /**
     * Single sections as the desk shows them.
     *
     * @param  list<string>  $sections  ids
     * @return array<string, string> HTML by section id
     */
    public function sectionsForDesk(Plan $plan, PagePlan $page, Business $business, array $sections,
        ShownState $shown = ShownState::TwoDays): array
    {
        $view = $this->view($plan, $page, Mode::Desk, $business, $shown);
        $drawn = [];
        foreach ($page->document->sections as $section) {
            if (in_array($section->id, $sections, true)) {
                $drawn[$section->id] = $this->filledForDesk($plan, $page, $business, $this->section($view, $section), null);
            }
        }

        return $drawn;
    }

    private function view(Plan $plan, PagePlan $page, Mode $mode, Business $business, ShownState $shown = ShownState::TwoDays): PageView
    {
        $uploads = $this->facts->uploads($plan, [$page], $business->id);

        return new PageView($plan, $page, $mode, $uploads, $this->facts->known($uploads, $business), $shown, $business);
    }

    private function html(PageView $view, string $variant = ''): string
    {
        if ($view->page->role === PageRole::Guide && ! $view->page->isOfGuide()) {
            return $this->guideHtml($view);
        }

        return View::make('site.page', [
            'view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'ground' => BackgroundView::ofPage($view),
            'sections' => array_map(fn (Section $s): string => $this->section($view, $s), $view->document->sections),
            'warnings' => $this->warnings($view), 'variant' => $variant,
        ])->render();
    }

    /** All pages of a guide, each between marks, so that those which are not for a visitor can be left out. */
    private function guideHtml(PageView $view): string
    {
        $guide = $view->plan->guide($view->page->id) ?? throw new LogicException('There is no such guide in this funnel.');

        return View::make('site.guide', ['view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'guide' => $guide,
            'ground' => BackgroundView::ofPage($view), 'entry' => $view->plan->entry()?->id,
            'minutes' => ReadingTime::minutes(array_sum(array_map(fn (GuidePage $p): int => ReadingTime::of($p->document),
                $view->plan->pagesOf($guide->id)))),
            'leaves' => array_map(fn (GuidePage $p): array => ['id' => $p->id, 'name' => $p->name,
                'minutes' => ReadingTime::minutes(ReadingTime::of($p->document)),
                'sections' => array_map(fn (Section $s): string => $this->section($view, $s), $p->sections())],
                $view->plan->pagesOf($guide->id))])->render();
    }

    /** @return list<array{id: string, minutes: int, text: string, section: HtmlString|null}> of the deadlines that guard it */
    private function warnings(PageView $view): array
    {
        $warnings = [];
        foreach ($view->plan->deadlines as $deadline) {
            if ($deadline->warning->isShown() && $deadline->guardedPage($view->page->id) !== null) {
                $shared = $view->plan->part($deadline->warning->section ?? '');
                $warnings[] = ['id' => $deadline->id, 'minutes' => $deadline->warning->minutes, 'text' => $deadline->warning->text,
                    'section' => $shared instanceof SharedSection ? new HtmlString($this->section($view, $shared->section)) : null];
            }
        }

        return $warnings;
    }

    private function section(PageView $view, Section $section): string
    {
        // A shared section that is gone leaves nothing behind.
        if ($section->blocks === [] && ! $view->editing()) {
            return '';
        }

        return View::make('site.section', ['view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'section' => $section,
            'ground' => BackgroundView::ofSection($view, $section)])->render();
    }

    /** @param  array<string, string>|null  $sample */
    private function filledForDesk(Plan $plan, PagePlan $page, Business $business, string $html, ?array $sample,
        ShownState $shown = ShownState::TwoDays): string
    {
        $voice = self::voice($plan, $page, $business);
        $fill = ['head' => SiteAssets::head(PageAssets::withAllStyles($plan, $page), false)];
        if ($sample === null) {
            return Hosts::withMediaOfSite(Slots::fill($html, $fill, []));
        }
        foreach ($plan->leadMagnets as $leadMagnet) {
            $fill["download:{$leadMagnet->id}"] = '<a class="button">'.e($voice->say('file.download')).'</a> <span class="file-note">'
                .e($leadMagnet->kindAndSize($voice->language())).'</span>';
        }
        $fill += self::countdowns($plan, $page, $voice, $shown);

        $html = Slots::withMergeFields($html,
            $plan->prices($voice) + $plan->fields
                + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);

        return Hosts::withMediaOfSite(Slots::fill($html, $fill, $sample));
    }

    /**
     * What fills the slots of countdowns where nobody in particular looks at a page.
     *
     * @param  ShownState|null  $shown  the state that deadlines are shown in; null for those alone that hold for everybody
     * @return array<string, string> HTML by slot
     */
    public static function countdowns(Plan $plan, PagePlan $page, SiteVoice $voice, ?ShownState $shown): array
    {
        $now = CarbonImmutable::now();
        $zone = new DateTimeZone($plan->sender->timeZone);
        $fill = [];
        foreach ($page->document->blocksOf(BlockKind::Countdown) as $block) {
            $deadline = $plan->deadline($block->field('deadline'));
            $run = match (true) {
                $deadline === null => Countdown::typed($block->field('until'), $zone, $now),
                $shown === null => $deadline->forEveryone($now),
                default => $shown->run($now),
            };
            $words = '<span class="countdown-words">'.e($block->field('text')).'</span>';
            $fill["countdown:{$block->id}"] = Countdown::of($block, $voice, $zone, $now, leadsOn: false)->html($run,
                $run?->state($now) ?? DeadlineState::NotStarted, $words, (new Marks($block, false))->root(...));
        }

        return $fill;
    }
}
