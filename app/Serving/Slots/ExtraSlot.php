<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Forms\FormToken;
use App\Orders\ExtraOffers;
use App\Serving\Visit;
use Carbon\CarbonImmutable;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The “yes” of an extra offer: a button that charges the card just used, for whoever has a fresh order; the way in for others. */
final class ExtraSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        $block = $page->document->block($of);
        $offer = $plan->offerOn($page);

        return $block === null || $offer === null ? []
            : ['text' => $block->field('text'), 'price' => $offer->price->words($page->settings->language)];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $text = $noted['text'] ?? '';
        if (! is_string($text) || $text === '') {
            return '';
        }
        $order = $visit->order();
        if ($order === null || ! ExtraOffers::isFresh($order, CarbonImmutable::now())) {
            return '<a class="button main" href="'.e($visit->path()).'">'.e('See how to join').'</a>'
                .'<p class="small-print">'.e('This is for those who have just bought.').'</p>';
        }
        $error = $visit->errors['form'] ?? null;
        $card = $order->method_label === null ? '' : 'Charged to your '.$order->method_label.', with one click.';

        return '<form id="buy" class="form extra" method="post" action="'.e($visit->path($visit->page->address)).'">'
            .($error === null ? '' : '<p class="error summary" role="alert">'.e($error).'</p>')
            .'<input type="hidden" name="extra" value="yes"><input type="hidden" name="token" value="'
            .e(FormToken::issue($visit->page->page_id)).'"><button class="button main" type="submit">'.e($text).'</button></form>'
            .'<p class="small-print">'.e($card).'</p>';
    }
}
