<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\Facts;
use Lantern\Core\Deadlines\HeldRun;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Guides\Progress;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;

/**
 * Where a rehearsal has come to: the moment, all that is known of its visitor, and what has happened. It is changed as it is played; a
 * clone of it goes its own way from there.
 */
final class Life
{
    /** Is there a person on the list with their address? */
    public bool $known = false;

    /** Have they joined nothing yet, and wait to confirm their address? */
    public bool $pending = false;

    /** Did they agree to more than what they asked for? */
    public bool $marketing = false;

    /** @var list<Browser> */
    public array $browsers;

    /** Which of them they use. */
    public int $device = 0;

    /** The id of the page they look at; '' for none. Likewise the letter of its variant. */
    public string $page = '';

    public string $letter = '';

    /** @var list<Mail> what has come, in order */
    public array $mails = [];

    /** @var list<Happening> */
    public array $happened = [];

    /** @var array<string, list<Fact>> what was written down of the deadlines that are theirs, by id */
    public array $facts = [];

    /** @var array<string, Run> those that run for everyone, by id */
    public array $everyone = [];

    /** @var array<string, true> ids of the deadlines of which it was told that they are over, with their ends */
    public array $over = [];

    /** @var list<PlacedOrder> */
    public array $orders = [];

    /** @var list<AskedForm> */
    public array $asked = [];

    /** @var array<string, Seat> by the id of the webinar */
    public array $seats = [];

    /** @var array<string, Progress> by the id of the guide */
    public array $reading = [];

    /** @var array<string, list<string>> days on which they did what makes warm, by the action */
    public array $warmDays = [];

    /** @var list<PopupFact> */
    public array $popups = [];

    /** @var array<string, DateTimeImmutable> when they filled in each form last, by id */
    public array $joined = [];

    /** The rule that is just acting: what is set off meanwhile follows from it. */
    public ?BegunRule $cause = null;

    /** @var list<BegunRule> rules that are to act for them */
    public array $rules = [];

    /** @var array<string, true> ids of rules that act once for each person, and wait or have acted */
    public array $acted = [];

    /** @var array<string, list<DateTimeImmutable>> when each rule began, by id */
    public array $begun = [];

    /** @var array<string, true> what they were told of that is nearly over, with the end and the hours that are left */
    public array $near = [];

    public ?DateTimeImmutable $clicked = null;

    /** How many choices were made. */
    public int $choices = 0;

    /** @var list<array{at: DateTimeImmutable, words: string, kind: ChoiceKind}> what they chose to do, and when */
    public array $chosen = [];

    /** What was paid, in the smallest units of the funnel's currency; payments of a plan that are still to come are not in it. */
    public int $paid = 0;

    /**
     * Later payments of plans, in order: those that have been made and those that are still to come.
     *
     * @var list<array{at: DateTimeImmutable, amount: int, order: int}>
     */
    public array $instalments = [];

    /** How many of them have been made. */
    public int $instalmentsPaid = 0;

    public function __construct(public readonly Visitor $visitor, public PersonState $person, public DateTimeImmutable $now)
    {
        $this->browsers = [new Browser('rehearsal-1')];
    }

    public function browser(): Browser
    {
        return $this->browsers[$this->device];
    }

    public function use(Browser $browser): void
    {
        $this->putBrowser($this->device, $browser);
    }

    public function putBrowser(int $device, Browser $browser): void
    {
        $this->browsers = array_values(array_replace($this->browsers, [$device => $browser]));
    }

    public function putOrder(int $number, PlacedOrder $order): void
    {
        $this->orders = array_values(array_replace($this->orders, [$number => $order]));
    }

    /** Is what is done on this device known to be theirs? */
    public function isThemselves(): bool
    {
        return $this->known && $this->browser()->known;
    }

    /** Is it known whose this device is: also by what was typed on it? */
    public function isKnownHere(): bool
    {
        return $this->known && $this->browser()->isIdentified();
    }

    /** A pop-up did something on the page that is open. */
    public function popped(string $popup, PopupFactType ...$types): void
    {
        foreach ($types as $type) {
            $fact = new PopupFact($popup, $type, $this->now, $this->view());
            if ($this->isKnownHere()) {
                $this->popups[] = $fact;
            } else {
                $this->use($this->browser()->popped($fact));
            }
        }
    }

    /** @return list<PopupFact> what pop-ups have done, as far as it is known on this device */
    public function popupFacts(): array
    {
        $here = $this->browser();
        $theirs = array_filter($this->browsers, fn (Browser $b): bool => $b === $here || ($b->known && $this->isKnownHere()));
        $facts = array_merge($this->isKnownHere() ? $this->popups : [], ...array_map(fn (Browser $b): array => $b->popups,
            array_values($theirs)));
        usort($facts, fn (PopupFact $a, PopupFact $b): int => $a->at <=> $b->at);

        return $facts;
    }

    /** Is it known on this device that they have bought something: also with an order that belongs to itself, if it was placed here? */
    public function hasBoughtHere(): bool
    {
        $here = $this->browser();
        $placed = array_map(fn (Browser $b): ?int => $b === $here || $b->known ? $b->order : null, $this->browsers);

        return $this->isKnownHere() && array_filter($this->orders, fn (PlacedOrder $o, int $n): bool => $o->offers !== []
            && ($o->theirs || in_array($n, $placed, true)), ARRAY_FILTER_USE_BOTH) !== [];
    }

    /** By which this view of the page that is open is told from others. */
    public function view(): string
    {
        return "{$this->device} ".($this->browser()->shown?->format('U') ?? '');
    }

    /** Does a page greet them? Only with what was filled into a form on this device, or to whoever came by a link of theirs. */
    public function isGreeted(): bool
    {
        return $this->browser()->joinedOn !== null || $this->isThemselves();
    }

    /**
     * How deadlines stand for whoever looks on this device, or for whoever buys with their address on it.
     *
     * @return array<string, Run> by id
     */
    public function runs(bool $withPerson = false): array
    {
        $holders = [$this->browser()->facts, ...($withPerson || ($this->known && $this->browser()->isIdentified()) ? [$this->facts] : [])];
        $runs = [];
        foreach (array_keys($this->everyone + array_merge(...$holders)) as $id) {
            $own = array_filter(array_map(fn (array $facts): ?Run => Facts::run($facts[$id] ?? []), $holders),
                fn (?Run $r): bool => $r !== null);
            $held = HeldRun::of([...array_values($own), ...(isset($this->everyone[$id]) ? [$this->everyone[$id]] : [])], $this->now);
            if ($held !== null) {
                $runs[(string) $id] = $held;
            }
        }

        return $runs;
    }

    /** @param  array<string, string|int|bool|null>  $facts */
    public function tell(HappeningKind $kind, string $of, string $words, array $facts = []): void
    {
        $this->happened[] = new Happening($kind, $this->now, $this->choices, $of, $words, $facts);
    }

    /** @return list<Happening> of one kind */
    public function of(HappeningKind $kind): array
    {
        return array_values(array_filter($this->happened, fn (Happening $h): bool => $h->kind === $kind));
    }

    public function hasMail(string $kind, string $of): bool
    {
        return $this->mail($kind, $of) !== null;
    }

    /** The last one of it that has come. */
    public function mail(string $kind, string $of): ?Mail
    {
        $of = array_filter($this->mails, fn (Mail $m): bool => $m->kind === $kind && $m->of === $of);

        return $of === [] ? null : $of[array_key_last($of)];
    }
}
