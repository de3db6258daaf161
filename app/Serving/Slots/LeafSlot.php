<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** That a page of a guide is the one that is open, as an attribute: the one its reader was at, or the first. */
final class LeafSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $pages = array_map(fn (GuidePage $p): string => $p->id, $plan->pagesOf($page->id));

        return ['first' => ($pages[0] ?? '') === $of, 'isOpen' => ($plan->guide($page->id)->open ?? 0) > 0];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::reading()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $here = $visit->loaded->reading()->here ?? '';
        $first = ($noted['first'] ?? false) === true;
        // Where nothing is open to strangers, what is said in place of the pages is all they see.
        $alone = $of === 'locked' && ($noted['isOpen'] ?? true) === false;

        return ($here === '' ? $first || $alone : $here === $of) ? ' data-here' : '';
    }
}
