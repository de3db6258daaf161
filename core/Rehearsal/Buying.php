<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\People\TypedAddress;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Selling\FreshOrder;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;
use Lantern\Core\Visits\PageAct;

/** Paying, and taking extra offers: whether something may be bought is decided where live traffic asks. */
final readonly class Buying
{
    public function __construct(private Stage $stage, private Following $following, private Visiting $visiting)
    {
    }

    /**
     * Pays at the checkout they look at.
     *
     * @param  bool  $refused  with a card that is refused
     * @return string|null why it is not possible
     */
    public function buy(Life $life, Choice $choice, bool $refused): ?string
    {
        $page = $this->stage->plan->pageAs($life->page, $life->letter);
        $offer = $page === null ? null : $this->stage->plan->offerOn($page);
        if ($page === null || $offer === null || $page->document->blocksOf(BlockKind::Checkout) === []) {
            return 'There is no checkout on the page they look at.';
        }
        if ($life->browser()->openSince === null) {
            return 'The checkout on the page they look at is closed for them.';
        }
        if (! $this->visiting->may($life, PageAct::Buy) || $this->visiting->isOld($life)) {
            return null;
        }
        $wanted = [$offer, ...array_values(array_filter(array_map(fn (OrderBump $b): ?Offer => in_array($b->offer, $choice->bumps, true)
            ? $this->stage->plan->offer($b->offer) : null, $offer->bumps)))];
        foreach ($wanted as $one) {
            $availability = Sale::availability($one, $this->facts($life, $one, $life->browser()->openSince), $life->now);
            if ($availability !== Availability::OnSale) {
                $one === $offer ? $this->refused($life, $one, $availability) : $life->tell(HappeningKind::Notice, $one->id,
                    "“{$one->name}” cannot be added: ".Refused::words($availability).' They see the checkout again.', ['notice' => 'bump']);

                return null;
            }
        }
        $theirs = $this->orders($life);
        if ($refused) {
            return $this->cardRefused($life, $page, $wanted, $theirs);
        }
        $life->orders[] = new PlacedOrder($life->now, theirs: $theirs);
        $life->use($life->browser()->withOrder(count($life->orders) - 1));
        $this->take($life, $page, array_map(fn (Offer $o, int $i): array => [$o, $i === 0 ? LineKind::Main : LineKind::Bump], $wanted,
            array_keys($wanted)));

        return null;
    }

    /** @return string|null likewise */
    public function accept(Life $life): ?string
    {
        [$page, $offer, $number] = $this->extra($life);
        if ($page === null || $offer === null) {
            return 'There is no extra offer on the page they look at.';
        }
        if ($number === null || ! $life->browser()->extra) {
            return 'They have nothing just bought with which this could be taken.';
        }
        if (! $this->isFresh($life, $number)) {
            $this->visiting->come($life, $this->stage->plan->entry()->id ?? '');

            return null;
        }
        if ($this->visiting->isOld($life)) {
            return null;
        }
        $availability = $this->availability($life, $number, $offer);
        if ($availability !== Availability::OnSale) {
            $this->refused($life, $offer, $availability, false);
            $this->visiting->led($life, (new Journey($this->stage->plan))->onward($page->id, Outcome::Bought, $this->closed($life,
                $number)));

            return null;
        }
        $this->take($life, $page, [[$offer, $page->role === PageRole::Downsell ? LineKind::Downsell : LineKind::Upsell]]);

        return null;
    }

    /** @return string|null likewise */
    public function decline(Life $life): ?string
    {
        [$page, , $number] = $this->extra($life);
        if ($page === null) {
            return $this->visiting->follow($life, Outcome::Declined) ? null : 'There is nothing to say no to on the page they look at.';
        }
        if ($number === null) {
            $this->visiting->come($life, $this->stage->plan->entry()->id ?? '');

            return null;
        }
        $closed = $this->closed($life, $number);
        $life->tell(HappeningKind::Declined, $page->id, "They say no at “{$page->name}”.");
        if ($this->isFresh($life, $number)) {
            $this->happens($life, $number, new Event(EventType::Declined, $life->now, $page->id, closed: $closed));
        }
        $this->visiting->led($life, (new Journey($this->stage->plan))->onward($page->id, Outcome::Declined, $closed));

        return null;
    }

    /** Orders that belonged to themselves turn out to be theirs: what was left of what follows from them follows. */
    public function becomeTheirs(Life $life): void
    {
        foreach ($life->orders as $number => $order) {
            if (! $order->theirs) {
                $life->putOrder($number, $order->asTheirs());
                foreach ($order->purchases as $purchase) {
                    $this->following->joined($life, new Event(EventType::Bought, $life->now, $purchase['page'],
                        offers: $purchase['offers']));
                }
            }
        }
    }

    /** @return array{PagePlan|null, Offer|null, int|null} the page of an extra offer that they look at, and the order it would join */
    private function extra(Life $life): array
    {
        $page = $this->stage->plan->pageAs($life->page, $life->letter);

        return $page === null || ! $page->role->isExtraOffer() ? [null, null, null]
            : [$page, $this->stage->plan->offerOn($page), $life->browser()->order];
    }

    public function isFresh(Life $life, int $number): bool
    {
        return (new FreshOrder(OrderState::Paid, $life->orders[$number]->placedAt, $this->stage->freshMinutes))->isFresh($life->now);
    }

    /** Does the address that is typed belong to whoever types it? Otherwise the order belongs to itself for now. */
    private function orders(Life $life): bool
    {
        $theirs = TypedAddress::isTheirs($life->known && ! ($life->pending && $life->joined === []), $life->browser()->proven);
        if (! $life->known) {
            $life->known = true;
            $life->pending = true;
            $page = $this->stage->plan->pageAs($life->page, $life->letter);
            $asks = array_filter($page?->document->blocksOf(BlockKind::Checkout) ?? [], fn ($b): bool => $b
                ->field('marketing') !== '') !== [];
            $life->marketing = $asks && ($life->visitor->answers['marketing'] ?? 'yes') !== 'no';
            $life->person = $life->person->withFields(['email' => [$life->visitor->email], 'first_name' => [$life->visitor->firstName()],
                'last_name' => [$life->visitor->lastName()], 'timezone' => [$life->visitor->zone]])->activeAt($life->now, $life->now)
                ->standing(SigningUp::standing($life));
        }

        return $theirs;
    }

    /** @param  list<array{Offer, LineKind}>  $wanted */
    private function take(Life $life, PagePlan $page, array $wanted): void
    {
        $number = (int) $life->browser()->order;
        $lines = [];
        foreach ($wanted as [$offer, $kind]) {
            $product = $this->stage->plan->product($offer->product);
            if ($product !== null) {
                // Whoever may name an amount names the least.
                $lines[] = Wanted::of($kind, $offer, $product, $offer->price->kind === PriceKind::Named ? $offer->price->amount : null);
            }
        }
        if ($lines === []) {
            return;
        }
        $quote = Quote::of($lines, $this->stage->tax);
        $ids = array_map(fn (array $w): string => $w[0]->id, $wanted);
        $life->putOrder($number, $life->orders[$number]->with($page->id, $ids));
        $life->paid += $quote->dueNow()->minor;
        $this->instalments($life, $number, $quote);
        $life->tell(HappeningKind::Bought, $ids[0], 'They buy '.implode(' and ', array_map(fn (array $w): string => "“{$w[0]->name}”",
            $wanted))
            .' for '.$this->words($quote->dueNow()).'.', ['paid' => $quote->dueNow()->minor, 'total' => $quote->total()->minor,
                'offers' => implode(' ', $ids)]);
        if ($life->orders[$number]->theirs) {
            $life->pending = false;
            // Buying lifts nothing: whoever unsubscribed stays so.
            if ($life->person->subscription->isReached()) {
                $life->person = $life->person->standing(SigningUp::standing($life));
            }
        }
        $decision = $this->happens($life, $number, new Event(EventType::Bought, $life->now, $page->id, offers: $ids,
            closed: $this->closed($life, $number)));
        $this->visiting->led($life, $decision->way);
    }

    /** What of it is paid later. Lines that are paid on the same day are one payment. */
    private function instalments(Life $life, int $number, Quote $quote): void
    {
        $later = [];
        foreach ($quote->lines as $line) {
            foreach (array_slice($line->instalments(), 1, null, true) as $i => $amount) {
                $at = $line->every->due($life->now, $i + 1, $this->stage->ownerZone);
                $later[Moments::written($at)] = ['at' => $at, 'amount' => ($later[Moments::written($at)]['amount'] ?? 0) + $amount->minor,
                    'order' => $number];
            }
        }
        $paid = array_slice($life->instalments, 0, $life->instalmentsPaid);
        $toCome = [...array_slice($life->instalments, $life->instalmentsPaid), ...array_values(array_filter($later,
            fn (array $i): bool => $i['amount'] > 0))];
        usort($toCome, fn (array $a, array $b): int => $a['at'] <=> $b['at']);
        $life->instalments = [...$paid, ...$toCome];
    }

    private function happens(Life $life, int $number, Event $event): Decision
    {
        $decision = $life->orders[$number]->theirs ? $this->following->take($life, $event) : $this->following->takeOfOrder($life, $event);
        foreach ($decision->effectsOf(SendReceipt::class) as $effect) {
            $life->putOrder($number, $life->orders[$number]->receiptDue($effect->at));
        }

        return $decision;
    }

    /** @param  list<Offer>  $wanted */
    private function cardRefused(Life $life, PagePlan $page, array $wanted, bool $theirs): null
    {
        $life->tell(HappeningKind::CardRefused, $page->id, 'Their card is refused. They see the checkout again.');
        $event = new Event(EventType::PaymentFailed, $life->now, $page->id, offers: array_map(fn (Offer $o): string => $o->id, $wanted));
        $theirs ? $this->following->take($life, $event) : $this->following->takeOfOrder($life, $event);

        return null;
    }

    private function refused(Life $life, Offer $offer, Availability $why, bool $leaves = true): void
    {
        $life->page = $leaves ? '' : $life->page;
        $life->tell(HappeningKind::NotForSale, $offer->id, "“{$offer->name}” cannot be bought: ".Refused::words($why),
            ['why' => $why->value]);
    }

    private function availability(Life $life, int $number, Offer $offer): Availability
    {
        $order = $life->orders[$number];

        return Sale::ofExtra($offer, OrderState::Paid, in_array($offer->id, $order->offers, true), $this->facts($life, $offer,
            $order->placedAt, $order->theirs), $life->now);
    }

    /** @return list<string> ids of the extra offers that cannot be taken with an order */
    private function closed(Life $life, int $number): array
    {
        $closed = [];
        foreach ($this->stage->plan->pages as $page) {
            $offer = $page->role->isExtraOffer() ? $this->stage->plan->offerOn($page) : null;
            if ($offer !== null && $this->availability($life, $number, $offer) !== Availability::OnSale) {
                $closed[] = $offer->id;
            }
        }

        return $closed;
    }

    private function facts(Life $life, Offer $offer, ?\DateTimeImmutable $openSince, bool $asThem = true): SaleFacts
    {
        $bought = array_merge([], ...array_map(fn (PlacedOrder $o): array => $o->offers, $life->orders));

        return new SaleFacts($this->stage->ownerZone, 0, $asThem && in_array($offer->id, $bought, true), $this->stage->plan->deadlines,
            DeadlineStates::of($this->stage->plan->deadlines, $life->runs($life->known), $life->now), $openSince);
    }

    private function words(Money $money): string
    {
        return $money->isZero() ? 'nothing' : $money->words();
    }
}
