<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Models\Business;
use App\Support\Hosts;
use Illuminate\Support\Facades\View;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

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
    public const REVISION = 3;

    public function __construct(private PictureFacts $facts)
    {
    }

    /** The page as it is published: HTML with slots. */
    public function forVisitors(Plan $plan, PagePlan $page, Business $business): string
    {
        $html = (string) preg_replace('/>\s+</', '> <', $this->html($this->view($plan, $page, Mode::Visitor, $business)));

        return Slots::withMergeFields($html, $plan->prices($page->settings->language) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);
    }

    /**
     * The page on the desk: no script, merge fields as they are written.
     *
     * @param  array<string, string>|null  $sample  a reader's fields, to fill them in and lock the words
     */
    public function forDesk(Plan $plan, PagePlan $page, Business $business, ?array $sample = null): string
    {
        $view = $this->view($plan, $page, $sample === null ? Mode::Desk : Mode::Visitor, $business);
        $html = $this->html($view);

        return $this->filledForDesk($plan, $page, $html, $sample);
    }

    /**
     * Single sections as the desk shows them.
     *
     * @param  list<string>  $sections  ids
     * @return array<string, string> HTML by section id
     */
    public function sectionsForDesk(Plan $plan, PagePlan $page, Business $business, array $sections): array
    {
        $view = $this->view($plan, $page, Mode::Desk, $business);
        $drawn = [];
        foreach ($page->document->sections as $section) {
            if (in_array($section->id, $sections, true)) {
                $drawn[$section->id] = $this->filledForDesk($plan, $page, $this->section($view, $section), null);
            }
        }

        return $drawn;
    }

    private function view(Plan $plan, PagePlan $page, Mode $mode, Business $business): PageView
    {
        $uploads = $this->facts->uploads($plan, [$page], $business->id);

        return new PageView($plan, $page, $mode, $uploads, $this->facts->of($uploads, $business));
    }

    private function html(PageView $view): string
    {
        return View::make('site.page', [
            'view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'ground' => Ground::ofPage($view),
            'sections' => array_map(fn (Section $s): string => $this->section($view, $s), $view->document->sections),
        ])->render();
    }

    private function section(PageView $view, Section $section): string
    {
        // A shared section that is gone leaves nothing behind.
        if ($section->blocks === [] && ! $view->editing()) {
            return '';
        }

        return View::make('site.section', ['view' => $view, 'plan' => $view->plan, 'page' => $view->page, 'section' => $section,
            'ground' => Ground::ofSection($view, $section)])->render();
    }

    /** @param  array<string, string>|null  $sample */
    private function filledForDesk(Plan $plan, PagePlan $page, string $html, ?array $sample): string
    {
        $fill = ['head' => SiteAssets::head(PageAssets::withAllStyles($plan, $page), false)];
        if ($sample === null) {
            return Hosts::withMediaOfSite(Slots::fill($html, $fill, []));
        }
        foreach ($plan->leadMagnets as $leadMagnet) {
            $fill["download:{$leadMagnet->id}"] = '<a class="button">'.e('Download').'</a> <span class="file-note">'
                .e($leadMagnet->kindAndSize()).'</span>';
        }

        $html = Slots::withMergeFields($html,
            $plan->prices($page->settings->language) + $plan->fields
                + ['business' => $plan->sender->business, 'host' => $plan->sender->host()]);

        return Hosts::withMediaOfSite(Slots::fill($html, $fill, $sample));
    }
}
