<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Forms\FormToken;
use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The “yes” of an extra offer: a button that charges the card just used, for whoever has a fresh order; the way in for others. */
final class ExtraSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $block = $page->document->block($of);
        $offer = $plan->offerOn($page);

        return $block === null || $offer === null ? []
            : ['text' => $block->field('text')];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::order()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $text = $noted['text'] ?? '';
        if (! is_string($text) || $text === '') {
            return '';
        }
        $order = $visit->loaded->order();
        if ($order?->fresh !== true) {
            return '<a class="button main" href="'.Html::text($visit->path()).'">'.Html::text($visit->voice->say('offer.join')).'</a>'
                .'<p class="small-print">'.Html::text($visit->voice->say('offer.buyers_only')).'</p>';
        }
        $error = $visit->error('form');
        $card = match (true) {
            ! $order->charges => '',
            $order->cardEnds === '' => $visit->voice->say('offer.one_click'),
            default => $visit->voice->say('offer.one_click_card', ['ends' => $order->cardEnds]),
        };

        return '<form id="buy" class="form extra" method="post" action="'.Html::text($visit->here()).'">'
            .($error === '' ? '' : '<p class="error summary" role="alert">'.Html::text($error).'</p>')
            .'<input type="hidden" name="extra" value="yes"><input type="hidden" name="token" value="'
            .Html::text(FormToken::issue($visit->page, $visit->now)).'"><button class="button main" type="submit">'
            .Html::text($text).'</button></form>'
            .'<p class="small-print">'.Html::text($card).'</p>';
    }
}
