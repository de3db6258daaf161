<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Journey\Effects\TellOwner;
use Lantern\Core\Journey\Effects\TellOwnerOfReader;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Offers\Product;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;

/**
 * The way through a funnel: what a visitor did, and what follows from it. The live site asks here and nowhere else,
 * before anything is changed by what happened.
 */
final readonly class Journey
{
    /** The receipt waits for extra offers that come after a purchase, and no longer than this. Minutes. */
    public const CHAIN_MINUTES = 30;

    /** @param  list<AutomationRule>  $business  the rules of the whole business, which hear what happens beside those of the funnel */
    public function __construct(private Plan $plan, private array $business = [])
    {
    }

    public function decide(PersonState $person, Event $event): Decision
    {
        $outcome = $event->type->outcome();
        $way = $outcome === null ? null : $this->onward($event->page, $outcome, $event->closed);
        $form = $this->plan->form($event->form ?? '');

        return match ($event->type) {
            EventType::Unsubscribed, EventType::Complained, EventType::Bounced => self::withoutFunnel($event),
            EventType::Asked => new Decision(null, $form === null ? [] : [new AskToConfirm($form->id)]),
            EventType::Joined => new Decision($way, $this->joined($person, $event, $form)),
            EventType::Bought => new Decision($way, $this->bought($person, $event, $way)),
            EventType::Registered => new Decision($way, $this->registered($person, $event)),
            EventType::Attended, EventType::SawOffer, EventType::LeftEarly, EventType::Missed,
            EventType::WatchedReplay => new Decision($way, $this->ofSession($person, $event)),
            EventType::GuideBegun, EventType::GuideFinished => new Decision($way, $this->guide($person, $event)),
            EventType::Declined => new Decision($way, $this->leadsToExtraOffer($way) ? [] : [new SendReceipt($event->at)]),
            default => new Decision($way, $this->triggered($person, $event)),
        };
    }

    /** What follows from something that happened elsewhere: in another funnel, or by the owner's hand. */
    public function listen(PersonState $person, Event $event): Decision
    {
        return new Decision(null, $this->triggered($person, $event, true));
    }

    /**
     * Which rules of the whole business are set off by what happened in no live funnel.
     *
     * @param  list<AutomationRule>  $business
     */
    public static function ofBusiness(array $business, PersonState $person, Event $event): Decision
    {
        return new Decision(null, RulesHeard::by($business, '', $person, $event, fn (string $id): string => ''));
    }

    /** What follows whatever funnel it happened in, or in none. */
    public static function withoutFunnel(Event $event): Decision
    {
        return match ($event->type) {
            EventType::Unsubscribed, EventType::Complained,
            EventType::Bounced => new Decision(null, [new CancelEmails($event->why ?? self::whyCancelled($event->type))]),
            default => new Decision,
        };
    }

    /** Where an outcome of a page leads. Where confirming leads nowhere of its own, it leads where joining does. */
    public function way(?string $page, Outcome $outcome): ?Way
    {
        $way = $page === null ? null : $this->plan->way($page, $outcome);

        return $way === null && $page !== null && $outcome === Outcome::Confirmed ? $this->plan->way($page, Outcome::Joined) : $way;
    }

    /**
     * Where an outcome of a page leads a buyer. The pages of extra offers that they cannot take are passed by, as if they had
     * said no there.
     *
     * @param  list<string>  $closed  ids of offers that they cannot take
     */
    public function onward(?string $page, Outcome $outcome, array $closed): ?Way
    {
        $way = $this->way($page, $outcome);
        // Ways may lead in a circle: there are no more pages to pass by than there are.
        foreach ($closed === [] ? [] : $this->plan->pages as $ignored) {
            $to = $way?->toPage === null ? null : $this->plan->page($way->toPage);
            if ($to === null || ! $to->role->isExtraOffer() || ! in_array($this->plan->offerOn($to)?->id, $closed, true)) {
                break;
            }
            $way = $this->way($to->id, Outcome::Declined);
        }

        return $way;
    }

    /** Why nothing more is sent, in one sentence for the owner. */
    private static function whyCancelled(EventType $type): string
    {
        return match ($type) {
            EventType::Bounced => 'This address refused an earlier message for good.',
            EventType::Complained => 'Reported an earlier email as spam.',
            default => 'Unsubscribed before it was due.',
        };
    }

    /**
     * What follows from buying: whatever the products hold, what buying starts and ends, and the receipt, when no other offer
     * comes after it or the chain of them has taken too long.
     *
     * @return list<Effect>
     */
    private function bought(PersonState $person, Event $event, ?Way $way): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        foreach ($this->productsOf($event->offers) as $product) {
            $list->add(new GiveProduct($product->id));
            $list->tags($product->tags);
            $sequence = $product->sequence === null ? null : $this->plan->sequence($product->sequence);
            if ($sequence !== null) {
                $list->sequence($sequence);
            }
        }
        $list->event($event);
        if ($event->offers !== []) {
            $list->add(new TellOwnerOfSale);
            $list->add(new SendReceipt($this->leadsToExtraOffer($way)
                ? $event->at->modify('+'.self::CHAIN_MINUTES.' minutes') : $event->at));
        }

        return $list->effects();
    }

    private function leadsToExtraOffer(?Way $way): bool
    {
        $page = $way?->toPage === null ? null : $this->plan->page($way->toPage);

        return $page !== null && $page->role->isExtraOffer() && $this->plan->offerOn($page) !== null;
    }

    /**
     * @param  list<string>  $offers
     * @return list<Product> each once
     */
    private function productsOf(array $offers): array
    {
        $products = [];
        foreach ($offers as $id) {
            $product = $this->plan->product($this->plan->offer($id)->product ?? '');
            if ($product !== null) {
                $products[$product->id] = $product;
            }
        }

        return array_values($products);
    }

    /** @return list<Effect> */
    private function joined(PersonState $person, Event $event, ?FormPlan $form): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        if ($event->registered !== null) {
            $list->register($event->registered);
        }
        $popup = $this->plan->popup($event->popup ?? '');
        $list->tags(array_values(array_unique([...$form->tags ?? [], ...array_filter([$popup->tag ?? ''])])));
        foreach ($this->plan->leadMagnets as $leadMagnet) {
            // A pop-up that offers one of several files gives that one.
            if ($leadMagnet->isThere() && in_array($popup->leadMagnet ?? '', ['', $leadMagnet->id], true)) {
                $list->add(new DeliverFile($leadMagnet->id));
            }
        }
        $list->event($event);
        if ($form !== null && $form->notice !== OwnerNotice::Never) {
            $list->add(new TellOwner($form->id, $form->notice));
        }
        if ($form !== null && $form->hook !== '') {
            $list->add(new CallHook($form->id, $form->hook));
        }

        return $list->effects();
    }

    /**
     * Somebody chooses a session without a form: by a click from an email, or another one than before.
     *
     * @return list<Effect>
     */
    private function registered(PersonState $person, Event $event): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        if ($event->registered !== null) {
            $list->register($event->registered);
        }

        return $list->effects();
    }

    /**
     * What became of somebody's session: the tags for it, and what waits for it.
     *
     * @return list<Effect>
     */
    private function ofSession(PersonState $person, Event $event): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        $list->tags($this->plan->webinar($event->webinar ?? '')->tags[$event->type->value] ?? []);
        $list->event($event);

        return $list->effects();
    }

    /**
     * Somebody begins a guide, or finishes it: what waits for it, and the word to the owner.
     *
     * @return list<Effect>
     */
    private function guide(PersonState $person, Event $event): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        $list->event($event);
        $guide = $this->plan->guide($event->guide ?? '');
        $finished = $event->type === EventType::GuideFinished;
        $notice = $finished ? $guide?->finished : $guide?->begun;
        if ($guide !== null && $notice !== null && $notice !== OwnerNotice::Never) {
            $list->add(new TellOwnerOfReader($guide->id, $finished, $notice));
        }

        return $list->effects();
    }

    /** @return list<Effect> */
    private function triggered(PersonState $person, Event $event, bool $told = false): array
    {
        $list = new EffectList($this->plan, $person, $event->at, $this->business);
        $list->event($event, $told);

        return $list->effects();
    }

    /**
     * Somebody enters a sequence by the owner's hand.
     *
     * @return list<Effect>
     */
    public function start(PersonState $person, string $sequence, DateTimeImmutable $at): array
    {
        $found = $this->plan->sequence($sequence);
        $list = new EffectList($this->plan, $person, $at, $this->business);
        if ($found !== null) {
            $list->sequence($found);
        }

        return $list->effects();
    }
}
