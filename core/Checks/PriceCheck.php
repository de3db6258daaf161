<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Languages\Language;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Invalid;
use NumberFormatter;

/** Prices that are typed by hand, where an offer of the funnel says what it costs. */
final class PriceCheck
{
    /** @return list<Finding> */
    public static function of(Plan $plan): array
    {
        $known = self::known($plan);
        if ($known === []) {
            return [];
        }
        $findings = [];
        foreach ($plan->pages as $page) {
            array_push($findings, ...self::page($plan, $page, $known));
        }
        foreach ($plan->emails as $email) {
            foreach (self::amounts("{$email->subject}. ".strip_tags(str_replace('<', ' <', $email->body)), $plan) as $text => $amount) {
                if (! isset($known[$amount])) {
                    $findings[] = new Finding('price-differs', false, "“{$email->name}” says {$text}, which no offer of this funnel "
                        .'costs.', 'email', $email->id, 'Open the email');
                }
            }
        }

        return $findings;
    }

    /**
     * @param  array<int, true>  $known
     * @return list<Finding>
     */
    private static function page(Plan $plan, PagePlan $page, array $known): array
    {
        $findings = [];
        foreach ($page->document->blocks() as $block) {
            $typed = $block->kind === BlockKind::Price && $plan->offer($block->field('offer')) === null ? $block->field('price') : '';
            if ($typed !== '') {
                $amount = self::typed($typed, $plan);
                $findings[] = $amount !== null && isset($known[$amount])
                    ? new Finding('price-typed', false, "The price {$typed} on “{$page->name}” is typed by hand. Choose its offer, and "
                        .'it changes with it.', 'page', $page->id, 'Show me', $block->id)
                    : new Finding('price-differs', true, "The price {$typed} on “{$page->name}” is typed by hand, and no offer of this "
                        .'funnel costs that. Choose its offer.', 'page', $page->id, 'Show me', $block->id);
            }
            foreach ($block->kind === BlockKind::Price ? [] : $block->passages() as $passage) {
                foreach (self::amounts($passage, $plan) as $text => $amount) {
                    if (! isset($known[$amount])) {
                        $findings[] = new Finding('price-differs', false, "“{$page->name}” says {$text}, which no offer of this funnel "
                            .'costs.', 'page', $page->id, 'Show me', $block->id);
                    }
                }
            }
        }

        return $findings;
    }

    /** @return array<int, true> what the offers cost: each payment, and all of them */
    private static function known(Plan $plan): array
    {
        $known = [];
        foreach ($plan->offers as $offer) {
            if ($offer->price->currency()->code === $plan->currency) {
                $known[$offer->price->amount->minor] = $known[$offer->price->total()->minor] = true;
            }
        }

        return $known;
    }

    /** @return array<string, int> amounts of the funnel's currency in words, in smallest units by how they are written */
    private static function amounts(string $words, Plan $plan): array
    {
        $number = '\d{1,3}(?:[.,\x{00A0}\x{202F}\' ’]\d{3})*(?:[.,]\d{1,3})?|\d+(?:[.,]\d{1,3})?';
        $signs = implode('|', array_map(fn (string $s): string => preg_quote($s, '/'), self::signs($plan)));
        $before = "(?:(?<![\\p{L}\\d])(?:{$signs})\\s?(?:{$number})(?![\\d]))";
        $after = "(?:(?<![\\d.,])(?:{$number})\\s?(?:{$signs})(?!\\p{L}))";
        preg_match_all("/{$before}|{$after}/u", $words, $found, PREG_SET_ORDER);
        $amounts = [];
        foreach ($found as $match) {
            $amount = self::typed($match[0], $plan);
            if ($amount !== null && $amount > 0) {
                $amounts[trim($match[0])] = $amount;
            }
        }

        return $amounts;
    }

    private static function typed(string $text, Plan $plan): ?int
    {
        try {
            return Money::typed(str_replace(self::signs($plan), '', $text), Currency::of($plan->currency))->minor;
        } catch (Invalid) {
            return null;
        }
    }

    /** @return non-empty-list<string> how the funnel's currency is written: its code, and its sign where it has one */
    private static function signs(Plan $plan): array
    {
        $format = new NumberFormatter(Language::of($plan->language)->plain().'@currency='.$plan->currency, NumberFormatter::CURRENCY);
        $sign = $format->getSymbol(NumberFormatter::CURRENCY_SYMBOL);

        return array_values(array_unique([$plan->currency, ...($sign === '' ? [] : [$sign])]));
    }
}
