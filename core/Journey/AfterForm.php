<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * Where somebody goes who has filled in all there is of a form. That depends on the form and its place alone: whether the address is
 * known, and whether whoever has it had left, is nobody's business.
 */
final class AfterForm
{
    /**
     * @param  string  $page  the id of the page it was on, or of the one that a pop-up stood over
     * @param  string  $form  its id
     * @param  string|null  $popup  the id of the pop-up it was in
     */
    public static function of(Plan $plan, string $page, string $form, SubmissionState $state, ?string $popup = null): Onward
    {
        $after = $plan->popup($popup ?? '')?->after;
        if ($after?->kind === 'address') {
            return Onward::url($after->to);
        }
        if ($state === SubmissionState::Waiting && ($plan->form($form)->doubleOptIn ?? false)) {
            return Onward::inbox();
        }
        if ($after?->kind === 'page' && $plan->page($after->to) !== null) {
            return Onward::page($after->to);
        }
        $journey = new Journey($plan);
        $way = $journey->way($page, Outcome::Joined)
            ?? ($popup === null ? null : $journey->way(self::pageOf($plan, $form)?->id, Outcome::Joined));

        return $way?->toUrl !== null ? Onward::url($way->toUrl) : Onward::page($plan->page($way->toPage ?? '')?->id);
    }

    /** Where whoever has just confirmed their address goes. */
    public static function confirmed(Plan $plan, string $page): Onward
    {
        $way = (new Journey($plan))->way($page, Outcome::Confirmed);

        return $way?->toUrl !== null ? Onward::url($way->toUrl) : Onward::page($plan->page($way->toPage ?? '')?->id);
    }

    /** The page on which a form stands; the entry page where it stands on none. */
    public static function pageOf(Plan $plan, string $form): ?PagePlan
    {
        foreach ($plan->pages as $page) {
            if (array_filter($page->document->blocksOf(BlockKind::Form), fn (Block $b): bool => $b->field('form') === $form) !== []) {
                return $page;
            }
        }

        return $plan->entry();
    }
}
