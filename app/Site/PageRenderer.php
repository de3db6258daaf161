<?php

declare(strict_types=1);

namespace App\Site;

use App\Models\Upload;
use Illuminate\Support\Facades\View;
use Lantern\Core\Funnel\PagePlan;
use Lantern\Core\Funnel\Plan;
use Lantern\Core\Page\Colour;

/**
 * Draws a page as HTML. A published page is drawn once, with slots (see {@see Slots}) for what is personal; the
 * Studio's desk draws the same page with marks that say which words belong to which block.
 */
final class PageRenderer
{
    /** @return array<string, string> HTML by page id */
    public function all(Plan $plan): array
    {
        $rendered = [];
        foreach ($plan->pages as $page) {
            $rendered[$page->id] = $this->page($plan, $page);
        }

        return $rendered;
    }

    public function page(Plan $plan, PagePlan $page, bool $editing = false): string
    {
        $look = $plan->look();
        $background = $page->document->background;
        $ids = $page->document->pictures();
        $pictures = $ids === [] ? [] : Upload::query()->where('kind', 'picture')->whereIn('id', $ids)->get()->keyBy('id')->all();
        $html = View::make('site.page', [
            'plan' => $plan,
            'page' => $page,
            'look' => $look,
            'colours' => $look->coloursOn($background->colour),
            'sheet' => $look->coloursOn(),
            'ownPaper' => $background->colour instanceof Colour,
            'pictures' => $pictures,
            'backdrop' => $pictures[$background->picture ?? ''] ?? null,
            'editing' => $editing,
        ])->render();

        return $editing ? Slots::forDesk($html, $look) : Slots::withMergeFields((string) preg_replace('/>\s+</', '> <', $html));
    }
}
