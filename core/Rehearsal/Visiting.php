<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Journey\Onward;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Way;
use Lantern\Core\Selling\FreshOrder;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;
use Lantern\Core\Support\Validity;
use Lantern\Core\Visits\PageAct;
use Lantern\Core\Visits\PageAnswer;
use Lantern\Core\Visits\PageChoice;
use Lantern\Core\Visits\PageNotice;
use Lantern\Core\Visits\PageRequest;
use Lantern\Core\Visits\SitePage;

/** Going to pages: which one they get is decided where live traffic asks. */
final readonly class Visiting
{
    /** So often somebody is led on before it is taken for a circle. */
    private const MOST_LED = 5;

    public function __construct(private Stage $stage, private Following $following)
    {
    }

    /** @param  bool  $fromEmail  do they come by a link in an email of ours? */
    public function come(Life $life, string $page, bool $fromEmail = false): void
    {
        $asked = $this->stage->plan->page($page);
        for ($led = 0; $led < self::MOST_LED; $led++) {
            $answer = $this->answer($life, $asked, PageAct::Look);
            if ($answer->instead === null || $answer->instead->page === null) {
                $this->get($life, $answer, $asked);

                return;
            }
            $to = $this->stage->plan->page($answer->instead->page);
            $life->tell(HappeningKind::Led, $asked->id ?? '',
                "“{$asked?->name}” is not for them now: they are led to “{$to?->name}”.",
                ['to' => $answer->instead->page]);
            $asked = $to;
        }
        $this->notice($life, PageNotice::TimeIsUp);
    }

    /** What they get who do something from a page: nothing in its way, or what is shown in its place. */
    public function may(Life $life, PageAct $act, ?string $form = null): bool
    {
        $page = $this->stage->plan->page($life->page);
        $answer = $this->answer($life, $page, $act, $form);
        if ($answer->page !== null && $answer->page === $life->page) {
            return true;
        }
        if ($answer->instead?->page !== null) {
            $this->come($life, $life->page);
        } else {
            $this->get($life, $answer, $page);
        }

        return false;
    }

    /** Was the page open for so long that its form must be loaded anew? Then it is, and they see it once more. */
    public function isOld(Life $life): bool
    {
        $shown = $life->browser()->shown;
        if ($shown === null || Validity::since($shown, $this->stage->formSeconds, $life->now)) {
            return false;
        }
        $page = $this->stage->plan->page($life->page);
        $asks = $page !== null && $this->stage->asksForPopups($page, $life->now);
        $life->use($life->browser()->showing($life->now, $asks)->withoutOffers());
        $life->tell(HappeningKind::Notice, '', 'The page was open for too long: they are asked to send its form once more.',
            ['notice' => 'old']);
        $page = $this->stage->plan->pageAs($life->page, $life->letter) ?? $page;
        $offer = $page === null ? null : $this->stage->plan->offerOn($page);
        if ($page !== null && $offer !== null) {
            $this->counter($life, $page, $offer);
        }

        return true;
    }

    public function onward(Life $life, Onward $onward): void
    {
        match (true) {
            $onward->url !== null => $this->away($life, $onward->url),
            $onward->waits => $this->inbox($life),
            default => $this->come($life, $onward->page ?? $this->stage->plan->entry()->id ?? ''),
        };
    }

    public function led(Life $life, ?Way $way): void
    {
        $this->onward($life, $way?->toUrl !== null ? Onward::url($way->toUrl) : Onward::page($this->stage->plan
            ->page($way->toPage ?? '')?->id));
    }

    /** Where an outcome of the page leads that they look at; false where it leads nowhere. */
    public function follow(Life $life, Outcome $outcome): bool
    {
        $way = (new Journey($this->stage->plan))->way($life->page, $outcome);
        if ($way === null) {
            return false;
        }
        $this->led($life, $way);

        return true;
    }

    private function away(Life $life, string $url): void
    {
        $life->page = '';
        $life->tell(HappeningKind::Away, '', "They leave for {$url}.", ['url' => $url]);
    }

    private function inbox(Life $life): void
    {
        $life->page = '';
        $life->tell(HappeningKind::Notice, '', 'They are told to look into their mailbox.', ['notice' => 'inbox']);
    }

    private function get(Life $life, PageAnswer $answer, ?PagePlan $asked): void
    {
        $url = $answer->instead?->url;
        $page = $answer->page === null ? null : $this->stage->plan->page($answer->page);
        match (true) {
            $url !== null => $this->away($life, $url),
            $page === null => $this->notice($life, $answer->notice ?? PageNotice::TimeIsUp),
            default => $this->sees($life, $page, $answer->whileClosed, $asked),
        };
    }

    private function notice(Life $life, PageNotice $notice): void
    {
        $life->page = '';
        $life->tell(HappeningKind::Notice, '', match ($notice) {
            PageNotice::NotHere => 'They are told that there is no such page.',
            PageNotice::NotOpenYet => 'They are told that the funnel is not open yet.',
            PageNotice::Closed => 'They are told that the funnel is closed.',
            PageNotice::ForBuyers => 'They are told that this page is for buyers.',
            PageNotice::TimeIsUp => 'They are told that the time is up.',
        }, ['notice' => lcfirst($notice->name)]);
    }

    private function sees(Life $life, PagePlan $page, bool $whileClosed, ?PagePlan $asked): void
    {
        $letter = $whileClosed ? '' : $this->letter($life, $page);
        $shown = $this->stage->plan->pageAs($page->id, $letter) ?? $page;
        $asks = $this->stage->asksForPopups($page, $life->now);
        // Where a deadline begins by seeing it, whoever is known by what they typed counts as well; and it has begun when it is drawn.
        $begins = $this->begins($life, $page->id);
        $asPerson = $begins ? $life->known && $life->browser()->isIdentified() : $life->isThemselves();
        $times = $this->before($life, $page->id, $asPerson) + 1;
        $life->use($life->browser()->seeing($page->id)->showing($life->now, $asks));
        [$life->page, $life->letter] = [$page->id, $letter];
        $event = new Event(EventType::Viewed, $life->now, $page->id, times: $times);
        $asPerson ? $this->following->take($life, $event) : $this->following->takeOfStranger($life, $event);
        $offer = $this->stage->plan->offerOn($shown);
        $life->tell(HappeningKind::Page, $page->id, "They see “{$page->name}”.", array_filter(['variant' => $letter,
            'closed' => $whileClosed, 'price' => $offer === null ? '' : $offer->price->words(), 'asked' => $asked === null
                || $asked->id === $page->id ? '' : $asked->id]));
        if ($offer !== null) {
            $this->counter($life, $shown, $offer);
        }
    }

    /** How often they have seen a page: with this device, and with all of theirs where they are known. */
    private function before(Life $life, string $page, bool $asPerson): int
    {
        return array_sum(array_map(fn (Browser $b): int => $b === $life->browser() || ($asPerson && $b->known) ? $b->views[$page] ?? 0 : 0,
            $life->browsers));
    }

    /** Does a deadline begin by this view? */
    private function begins(Life $life, string $page): bool
    {
        $times = [];
        foreach ($this->stage->plan->deadlines as $deadline) {
            foreach ($deadline->starts->list as $trigger) {
                if ($trigger instanceof PageSeen && $trigger->page === $page
                    && $deadline->mayBegin($life->runs()[$deadline->id] ?? null, $life->now)) {
                    $times[] = $trigger->times;
                }
            }
        }

        return $times !== [] && $this->before($life, $page, $life->known && $life->browser()->isIdentified()) + 1 >= min($times);
    }

    /** What can be bought on the page: at a checkout, or with the order that was just placed. */
    private function counter(Life $life, PagePlan $page, Offer $offer): void
    {
        $order = $life->browser()->order;
        if ($page->role->isExtraOffer()) {
            $fresh = $order !== null && (new FreshOrder(OrderState::Paid, $life->orders[$order]->placedAt, $this->stage->freshMinutes))
                ->isFresh($life->now);
            $life->use($fresh ? $life->browser()->withExtraOffer() : $life->browser());

            return;
        }
        if ($page->document->blocksOf(BlockKind::Checkout) === []) {
            return;
        }
        $bought = array_merge([], ...array_map(fn (PlacedOrder $o): array => $o->offers, $life->orders));
        // What an order in this browser holds is known here; what else they have is not, before they came by a link of theirs.
        $has = ($order !== null && in_array($offer->id, $life->orders[$order]->offers, true))
            || ($life->browser()->proven && in_array($offer->id, $bought, true));
        $availability = Sale::availability($offer, new SaleFacts($this->stage->ownerZone, 0, $has, $this->stage->plan->deadlines,
            DeadlineStates::of($this->stage->plan->deadlines, $life->runs(), $life->now)), $life->now);
        if ($availability === Availability::OnSale) {
            $life->use($life->browser()->withCheckout($life->now));
        } else {
            $life->tell(HappeningKind::NotForSale, $offer->id,
                "In place of the checkout they read that “{$offer->name}” cannot be bought: "
                .Refused::words($availability), ['why' => $availability->value]);
        }
    }

    private function letter(Life $life, PagePlan $page): string
    {
        $test = $this->stage->plan->testOf($page->id);
        if ($test === null) {
            return '';
        }
        $weights = $this->stage->plan->weightsOf($test);
        $chosen = $life->visitor->letters[$test->id] ?? null;
        $letter = $chosen !== null && isset($weights[$chosen]) ? $chosen : Assignment::keeping($life->browser()->letters[$test->id] ?? null,
            $test->id, $life->isThemselves() ? $life->person->id : $life->browser()->id, $weights);
        foreach ($life->browsers as $i => $browser) {
            if ($i === $life->device || ($life->isThemselves() && $browser->known)) {
                $life->putBrowser($i, $browser->withLetter($test->id, $letter));
            }
        }

        return $letter;
    }

    private function answer(Life $life, ?PagePlan $page, PageAct $act, ?string $form = null): PageAnswer
    {
        $plan = $this->stage->plan;
        $browser = $life->browser();
        $opening = $this->stage->opening();
        $closed = $plan->pageOf(PageRole::Closed);
        $guide = $page === null ? null : $plan->guide($page->id);

        return PageChoice::of(new PageRequest($opening, $page === null ? null : $this->site($page), null, $closed === null ? null
            : $this->site($closed), $browser->joinedOn, $browser->seats !== [], $guide !== null && $life->isThemselves()
                && $life->joined !== [], $life->isThemselves() || $browser->order !== null ? $life->person->products() : [],
            $plan->guards(), DeadlineStates::of($plan->deadlines, $life->runs(), $life->now)->states, false, $act, $form), $life->now);
    }

    private function site(PagePlan $page): SitePage
    {
        $products = array_filter($this->stage->plan->products, fn (Product $p): bool => $p->page === $page->id);
        $forms = array_map(fn ($b): string => $b->field('form'), $page->document->blocksOf(BlockKind::Form));

        return new SitePage($page->id, $page->role, array_values(array_map(fn (Product $p): string => $p->id, $products)), $forms);
    }
}
