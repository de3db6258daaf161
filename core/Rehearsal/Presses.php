<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;

/** Which choice it is to press something on a page: what {@see Options} offers in words, by the place at which it stands. */
final class Presses
{
    /**
     * @param  bool  $extra  can an extra offer on it be taken with the order that was placed here?
     * @return array<string, list<Choice|null>> by the id of the block: one for the whole of it, or one for each of its links, in order;
     *     null for what leads out of the funnel
     */
    public static function of(Plan $plan, PagePlan $page, bool $extra): array
    {
        $presses = [];
        foreach ($page->document->blocks() as $block) {
            $presses[$block->id] = self::ofBlock($plan, $page, $block, $extra);
        }

        return array_filter($presses, fn (array $choices): bool => $choices !== []);
    }

    /** @return list<Choice|null> */
    private static function ofBlock(Plan $plan, PagePlan $page, Block $block, bool $extra): array
    {
        $offer = $plan->offer($block->field('offer'));
        $isSold = $offer !== null && $plan->offerOn($page)?->id === $offer->id;

        return match (true) {
            $block->kind === BlockKind::Form => [new Choice(ChoiceKind::Join, $block->field('form'))],
            $block->kind === BlockKind::Download => [new Choice(ChoiceKind::Download, $block->field('leadMagnet'))],
            $block->kind === BlockKind::Checkout => $isSold ? [new Choice(ChoiceKind::Buy)] : [],
            Links::sellsExtra($plan, $page, $block) => [self::ofExtra($plan, $extra)],
            default => array_map(fn (string $url): ?Choice => self::ofLink($page, Link::read($url)), $block->links()),
        };
    }

    /** The button of an extra offer takes it; without an order that is fresh it leads to where one buys. */
    public static function ofExtra(Plan $plan, bool $extra): Choice
    {
        return $extra ? new Choice(ChoiceKind::Accept) : new Choice(ChoiceKind::Press, to: 'page:'.($plan->entry()->id ?? ''));
    }

    private static function ofLink(PagePlan $page, Link $link): ?Choice
    {
        return match (true) {
            $link->kind === 'outcome' && $link->target === Outcome::Declined->value
                && $page->role->isExtraOffer() => new Choice(ChoiceKind::Decline),
            in_array($link->kind, ['page', 'outcome'], true) => new Choice(ChoiceKind::Press, to: "{$link->kind}:{$link->target}"),
            default => null,
        };
    }
}
