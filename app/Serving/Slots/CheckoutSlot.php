<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Forms\FormToken;
use App\Languages\SiteVoice;
use App\Orders\ShownPrices;
use App\Payments\PaymentProvider;
use App\Serving\Facts\Need;
use App\Serving\Facts\OfferFacts;
use App\Serving\VisitFacts;
use App\Support\Html;
use App\Support\RichText;
use DateTimeImmutable;
use Illuminate\Contracts\View\Factory;
use Illuminate\Support\HtmlString;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The checkout of a page, or why there is none: it is not open yet, over, sold out, or bought by this visitor already. */
final readonly class CheckoutSlot implements Slot
{
    public function __construct(private PaymentProvider $provider, private Factory $views)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $block = $page->document->block($of);
        $offer = $block === null ? null : $plan->offer($block->field('offer'));
        $product = $offer === null ? null : $plan->product($offer->product);
        if ($block === null || $offer === null || $product === null) {
            return [];
        }
        $bumps = [];
        foreach ($offer->bumps as $bump) {
            $other = $plan->offer($bump->offer);
            $sold = $other === null ? null : $plan->product($other->product);
            if ($other !== null && $sold !== null) {
                $bumps[] = ['offer' => $other->toArray(), 'product' => $sold->toArray(), 'text' => $bump->text];
            }
        }

        return ['offer' => $offer->toArray(), 'product' => $product->toArray(), 'bumps' => $bumps, 'block' => $block->fields,
            'coupons' => $plan->coupons !== []];
    }

    public function needs(string $of, array $noted): array
    {
        if ($noted === []) {
            return [];
        }
        $shape = Shape::of($noted);

        return [Need::business(), Need::reader(), Need::offer($shape->group('offer')->text('id', 40)), ...array_map(
            fn (Shape $bump): Need => Need::offer($bump->group('offer')->text('id', 40)), $shape->groups('bumps', Offer::MOST_BUMPS))];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        if ($noted === []) {
            return '';
        }
        $shape = Shape::of($noted);
        $offer = Offer::fromShape($shape->group('offer'));
        $product = Product::fromShape($shape->group('product'));
        $now = $visit->now;
        $reader = $visit->loaded->reader();
        $availability = Sale::availability($offer, self::facts($visit, $visit->loaded->offer($offer->id)), $now);
        if ($availability !== Availability::OnSale) {
            return '<div class="checkout-over" role="status"><h3>'.Html::text($visit->voice->say($availability->heading())).'</h3><p>'
                .Html::text($visit->voice->say($availability->sentence())).'</p></div>';
        }
        $voice = $visit->voice;
        $bumps = $this->bumps($shape, $visit, $now);
        $quote = $visit->quote ?? self::plain($offer, $product, $visit->loaded->business()->taxRate);
        $block = $shape->group('block');

        return $this->views->make('pay.checkout', [
            'offer' => $offer, 'product' => $product, 'bumps' => $bumps, 'say' => $voice,
            'named' => $offer->price->kind === PriceKind::Named,
            'typed' => $visit->typed + array_filter(['email' => $reader === null ? '' : $reader->email,
                'name' => $reader === null ? '' : $reader->fullName]),
            'errors' => array_map($voice->say(...), $visit->errors), 'here' => $visit->here(),
            'fields' => $this->provider->cardFields($voice->language()->tag),
            'button' => $block->text('text', 120, '') ?: $voice->say('checkout.pay'),
            'next' => RichText::words($block->text('html', 10_000, '')),
            'note' => $block->text('note', 300, ''), 'marketing' => $block->text('marketing', 300, ''),
            'sums' => ['sums' => new HtmlString($this->sums($quote, $voice)['sums'])] + $this->sums($quote, $voice),
            'coupons' => $shape->flag('coupons'),
            'token' => FormToken::issue($visit->page, $visit->now),
            'shown' => ShownPrices::issue([$offer, ...array_column($bumps, 'offer')], self::shown($visit)),
            'source' => mb_substr($visit->queryString, 0, 2000),
        ])->render();
    }

    /**
     * What it comes to, as the page shows it.
     *
     * @return array{sums: string, due: string, card: bool} the list of sums as HTML, what is due now in words, and whether a card is needed
     */
    public function sums(?Quote $quote, SiteVoice $voice): array
    {
        return $quote === null ? ['sums' => '', 'due' => '', 'card' => true] : [
            'sums' => $this->views->make('pay.sums', ['quote' => $quote, 'say' => $voice])->render(),
            'due' => $quote->dueNow()->spoken($voice->language()), 'card' => $quote->dueNow()->isPositive()];
    }

    /** What is known of whoever looks at it. To somebody who is filling it in, grace is never shown, and is theirs. */
    private static function facts(VisitFacts $visit, OfferFacts $offer): SaleFacts
    {
        return new SaleFacts($visit->loaded->business()->zone, $offer->taken, $offer->has, $visit->deadlines->deadlines ?? [],
            $visit->identity?->owner === true ? null : $visit->states, self::shown($visit)?->since);
    }

    /** What came with a checkout that is shown again. */
    private static function shown(VisitFacts $visit): ?ShownPrices
    {
        return ShownPrices::read($visit->posted['shown'] ?? null);
    }

    private static function plain(Offer $offer, Product $product, int $tax): ?Quote
    {
        try {
            return Quote::of([Wanted::of(LineKind::Main, $offer, $product, $offer->price->kind === PriceKind::Named
                ? $offer->price->amount : null)], TaxRate::of($tax));
        } catch (Invalid) {
            return null;
        }
    }

    /** @return list<array{offer: Offer, product: Product, text: string, price: string, ticked: bool}> those that can be bought */
    private function bumps(Shape $noted, VisitFacts $visit, DateTimeImmutable $now): array
    {
        $ticked = $visit->input('bump');
        $bumps = [];
        foreach ($noted->groups('bumps', Offer::MOST_BUMPS) as $bump) {
            $offer = Offer::fromShape($bump->group('offer'));
            if (Sale::availability($offer, self::facts($visit, new OfferFacts($visit->loaded->offer($offer->id)->taken, false)),
                $now) === Availability::OnSale) {
                $product = Product::fromShape($bump->group('product'));
                $words = OrderBump::fromShape(Shape::of(['offer' => $offer->id, 'text' => $bump->text('text', 300, '')]))->text;
                $bumps[] = ['offer' => $offer, 'product' => $product, 'text' => $words === ''
                    ? $visit->voice->say('checkout.add', ['product' => $product->name])
                    : $words,
                    'price' => $visit->voice->say($offer->price->phrase()),
                    'ticked' => is_array($ticked) && in_array($offer->id, $ticked, true)];
            }
        }

        return $bumps;
    }
}
