<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Agenda\PersonAgenda;
use Lantern\Core\Agenda\PersonMomentKind;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Availability;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Selling\Sale;
use Lantern\Core\Selling\SaleFacts;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Sending\SequenceFacts;
use Lantern\Core\Visits\Opening;
use Lantern\Core\Visits\PageChoice;
use Lantern\Core\Visits\PageRequest;
use Lantern\Core\Visits\SitePage;

/** Plays a funnel for one person with nothing but the core: no database, and a clock that is told. */
final class CorePlay
{
    /** @var list<string> what was sent and when, by the private name of the email */
    public array $emails = [];

    /** @var list<string> private names of the pages that were looked at */
    public array $pages = [];

    /** @var list<string> what was bought, by the private name of the offer, with what was due for it */
    public array $bought = [];

    private OrderState $order = OrderState::Open;

    private ?DateTimeImmutable $openSince = null;

    public function __construct(private readonly Plan $plan, private PersonState $person, private DateTimeImmutable $now,
        private readonly int $tax)
    {
    }

    /** Time passes, and what is due for them happens at its moment. */
    public function until(DateTimeImmutable $to): void
    {
        foreach ($this->emailsUntil($to) as [$email, $at]) {
            $this->now = $at;
            $verdict = SequenceCheck::of($this->plan, $email->email, new SequenceFacts($this->person), $at);
            $this->person = match (true) {
                $verdict->later !== null => $this->person->withEmailDue($email, $verdict->later),
                default => $this->person->withEmailIn($email, $verdict->goes() ? MessageState::Sent : MessageState::Cancelled),
            };
            if ($verdict->goes()) {
                $this->emails[] = $at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d H:i').' '.$this->plan
                    ->email($email->email)?->name;
            }
        }
        $this->now = $to;
    }

    /** @return iterable<array{PlannedEmail, DateTimeImmutable}> one after the other, as they come due */
    private function emailsUntil(DateTimeImmutable $to): iterable
    {
        while (true) {
            $next = array_values(array_filter(PersonAgenda::of($this->person, $this->now),
                fn ($m): bool => $m->kind === PersonMomentKind::Email && $m->at <= $to))[0] ?? null;
            if ($next === null) {
                return;
            }
            yield [array_values(array_filter($this->person->emails(),
                fn (PlannedEmail $e): bool => $e->email === $next->of && $e->state === MessageState::Waiting))[0], $next->at];
        }
    }

    public function tagged(string $tag): void
    {
        $this->person = $this->person->withTags([$tag]);
        $this->follow((new Journey($this->plan))->listen($this->person, new Event(EventType::Tagged, $this->now, tag: $tag)));
    }

    public function click(string $email): void
    {
        $this->follow((new Journey($this->plan))->decide($this->person, new Event(EventType::Clicked, $this->now,
            email: $this->email($email))));
    }

    /** Goes to a page, and along wherever it leads. */
    public function look(string $address): void
    {
        $page = $this->plan->pageAt($address);
        for ($step = 0; $page !== null && $step < 5; $step++) {
            $answer = PageChoice::of(new PageRequest(new Opening(FunnelState::Live), new SitePage($page->id, $page->role),
                guards: $this->plan->guards(), states: $this->states()->states), $this->now);
            if ($answer->page !== null) {
                $this->pages[] = $page->name;

                return;
            }
            $page = $this->plan->page($answer->instead->page ?? '');
        }
    }

    /** A checkout is shown to them. */
    public function open(): void
    {
        $this->openSince = $this->now;
    }

    /** @return Availability of the offer of a checkout; where it may be bought, it is */
    public function buy(string $address): Availability
    {
        $page = $this->page($address);
        $offer = $this->offer($page);
        $availability = Sale::availability($offer, $this->facts($this->openSince), $this->now);
        if ($availability === Availability::OnSale) {
            $this->order = OrderState::Paid;
            $this->take($page, $offer, LineKind::Main);
        }

        return $availability;
    }

    public function accept(string $address): Availability
    {
        $page = $this->page($address);
        $offer = $this->offer($page);
        $availability = Sale::ofExtra($offer, $this->order, false, $this->facts($this->now), $this->now);
        if ($availability === Availability::OnSale) {
            $this->take($page, $offer, $page->role === PageRole::Downsell ? LineKind::Downsell : LineKind::Upsell);
        }

        return $availability;
    }

    public function decline(string $address): void
    {
        $this->led((new Journey($this->plan))->decide($this->person, new Event(EventType::Declined, $this->now,
            $this->page($address)->id))->way);
    }

    private function take(PagePlan $page, Offer $offer, LineKind $kind): void
    {
        $product = $this->plan->product($offer->product) ?? throw new \LogicException('It sells something.');
        $quote = Quote::of([Wanted::of($kind, $offer, $product)], TaxRate::of($this->tax));
        $this->bought[] = "{$offer->name}: {$quote->dueNow()->minor}";
        $decision = (new Journey($this->plan))->decide($this->person, new Event(EventType::Bought, $this->now, $page->id,
            offers: [$offer->id]));
        $this->follow($decision);
        $this->led($decision->way);
    }

    private function follow(Decision $decision): void
    {
        $this->person = $decision->appliedTo($this->person, $this->now);
        $this->until($this->now);
    }

    private function led(?Way $way): void
    {
        $this->pages[] = $this->plan->page($way->toPage ?? '')->name ?? 'nowhere';
    }

    private function states(): DeadlineStates
    {
        return DeadlineStates::of($this->plan->deadlines, $this->person->deadlines(), $this->now);
    }

    private function facts(?DateTimeImmutable $openSince): SaleFacts
    {
        return new SaleFacts($this->person->ownerZone, deadlines: $this->plan->deadlines, states: $this->states(), openSince: $openSince);
    }

    private function page(string $address): PagePlan
    {
        return $this->plan->pageAt($address) ?? throw new \LogicException("There is a page at {$address}.");
    }

    private function offer(PagePlan $page): Offer
    {
        return $this->plan->offerOn($page) ?? throw new \LogicException('It sells an offer.');
    }

    private function email(string $name): string
    {
        foreach ($this->plan->emails as $email) {
            if ($email->name === $name) {
                return $email->id;
            }
        }

        throw new \LogicException("There is an email “{$name}”.");
    }
}
