<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Offers\Product;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;

/**
 * The way through a funnel: what a visitor did, and what follows from it. The live site asks here and nowhere else,
 * before anything is changed by what happened.
 */
final readonly class Journey
{
    /** The receipt waits for extra offers that come after a purchase, and no longer than this. Minutes. */
    public const CHAIN_MINUTES = 30;

    public function __construct(private Plan $plan)
    {
    }

    public function decide(Visitor $visitor, Event $event): Decision
    {
        $outcome = $event->type->outcome();
        $way = $outcome === null ? null : $this->onward($event->page, $outcome, $event->closed);
        $form = $this->plan->form($event->form ?? '');

        return match ($event->type) {
            EventType::Unsubscribed, EventType::Complained, EventType::Bounced => self::withoutFunnel($event),
            EventType::Asked => new Decision(null, $form === null ? [] : [new AskToConfirm($form->id)]),
            EventType::Joined => new Decision($way, $this->joined($visitor, $event, $form)),
            EventType::Bought => new Decision($way, $this->bought($visitor, $event, $way)),
            EventType::Declined => new Decision($way, $this->leadsToExtraOffer($way) ? [] : [new SendReceipt($event->at)]),
            default => new Decision($way, $this->triggered($visitor, $event)),
        };
    }

    /** What follows from something that happened elsewhere: in another funnel, or by the owner's hand. */
    public function listen(Visitor $visitor, Event $event): Decision
    {
        return new Decision(null, $this->triggered($visitor, $event));
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
    private function bought(Visitor $visitor, Event $event, ?Way $way): array
    {
        $effects = [];
        $started = [];
        foreach ($this->productsOf($event->offers) as $product) {
            $effects[] = new GiveProduct($product->id);
            [$visitor, $tagged, $started] = $this->tagged($visitor, $event->at, $product->tags, $started);
            array_push($effects, ...$tagged);
            $sequence = $product->sequence === null ? null : $this->plan->sequence($product->sequence);
            if ($sequence !== null && ! in_array($sequence->id, $started, true)) {
                $started[] = $sequence->id;
                array_push($effects, ...$this->started($visitor, $event->at, $sequence));
            }
        }
        array_push($effects, ...$this->triggered($visitor, $event, $started));
        if ($event->offers !== []) {
            $effects[] = new TellOwnerOfSale;
            $effects[] = new SendReceipt($this->leadsToExtraOffer($way)
                ? $event->at->modify('+'.self::CHAIN_MINUTES.' minutes') : $event->at);
        }

        return $effects;
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

    /**
     * Tags that are given, and what they start and end. A tag that was just given counts like one they had: a sequence that it
     * ends does not begin either.
     *
     * @param  list<string>  $tags
     * @param  list<string>  $started  sequences that were started by the same event already
     * @return array{Visitor, list<Effect>, list<string>} the visitor with the tags, what follows, and all that has been started
     */
    private function tagged(Visitor $visitor, DateTimeImmutable $at, array $tags, array $started): array
    {
        $new = array_values(array_filter($tags, fn (string $tag): bool => ! $visitor->hasTag($tag)));
        $visitor = $visitor->withTags($new);
        $effects = [];
        foreach ($new as $tag) {
            $effects[] = new AddTag($tag);
            foreach ($this->triggered($visitor, new Event(EventType::Tagged, $at, tag: $tag), $started) as $effect) {
                $effects[] = $effect;
                $started = $effect instanceof StartSequence ? [...$started, $effect->sequence] : $started;
            }
        }

        return [$visitor, $effects, $started];
    }

    /** @return list<Effect> */
    private function joined(Visitor $visitor, Event $event, ?FormPlan $form): array
    {
        [$visitor, $effects, $started] = $this->tagged($visitor, $event->at, $form->tags ?? [], []);
        foreach ($this->plan->leadMagnets as $leadMagnet) {
            if ($leadMagnet->file !== null) {
                $effects[] = new DeliverFile($leadMagnet->id);
            }
        }
        array_push($effects, ...$this->triggered($visitor, $event, $started));
        if ($form !== null && $form->notice !== OwnerNotice::Never) {
            $effects[] = new TellOwner($form->id, $form->notice);
        }
        if ($form !== null && $form->hook !== '') {
            $effects[] = new CallHook($form->id, $form->hook);
        }

        return $effects;
    }

    /**
     * What an event ends, then what it starts.
     *
     * @param  list<string>  $started  sequences that were started by the same event already
     * @return list<Effect>
     */
    private function triggered(Visitor $visitor, Event $event, array $started = []): array
    {
        $effects = [];
        $ended = [];
        foreach ($this->plan->sequences as $sequence) {
            $trigger = $visitor->isIn($sequence->id) ? $sequence->ends->heardBy($event) : null;
            if ($trigger !== null) {
                $effects[] = new StopSequence($sequence->id, $trigger->words($this->plan->nameOf(...)).', which ends this sequence.');
                $ended[] = $sequence->id;
            }
        }
        foreach ($this->plan->sequences as $sequence) {
            if ($sequence->starts->heardBy($event) !== null && ! in_array($sequence->id, [...$started, ...$ended], true)) {
                array_push($effects, ...$this->started($visitor, $event->at, $sequence));
            }
        }

        return $effects;
    }

    /**
     * Entering a sequence, if they are not on their way in it, and were not unless it may be entered again. Somebody
     * who has a tag that ends it never enters it. Whoever had its last email stays in it, for emails that are added
     * later, yet is no longer on the way.
     *
     * @return list<Effect>
     */
    private function started(Visitor $visitor, DateTimeImmutable $at, SequencePlan $sequence): array
    {
        $in = $visitor->sequences[$sequence->id] ?? null;
        $before = $in === false || in_array($sequence->id, $visitor->through, true);
        $endedByTag = array_filter($visitor->tags,
            fn (string $tag): bool => $sequence->ends->heardBy(new Event(EventType::Tagged, $at, tag: $tag)) !== null);
        if (($in === true && ! $before) || ($before && ! $sequence->again) || $endedByTag !== []) {
            return [];
        }
        $effects = [new StartSequence($sequence->id, $at->setTimezone(new DateTimeZone('UTC')))];
        $timing = new Timing($sequence, $visitor->zone, $visitor->ownerZone ?? $visitor->zone);
        foreach ($this->plan->emailsOf($sequence->id) as $email) {
            // An email that was sent or is on its way is not planned again, unless the whole sequence is.
            if ($before || ! in_array($email->id, $visitor->emails, true)) {
                $effects[] = new SendEmail($email->id, $timing->due($email, $at));
            }
        }

        return $effects;
    }

    /**
     * Somebody enters a sequence by the owner's hand.
     *
     * @return list<Effect>
     */
    public function start(Visitor $visitor, string $sequence, DateTimeImmutable $at): array
    {
        $found = $this->plan->sequence($sequence);

        return $found === null ? [] : $this->started($visitor, $at, $found);
    }
}
