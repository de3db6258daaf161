<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\Visits;
use Lantern\Core\Support\Rebuilt;

/** A device of theirs, and what it knows: one that was never told whose it is belongs to nobody. */
final readonly class Browser
{
    use Rebuilt;

    /**
     * @param  string  $id  by which split tests know it
     * @param  bool  $known  was it joined to them, so that what is done with it is theirs?
     * @param  bool  $proven  by a link in an email to them
     * @param  array<string, int>  $views  how often each page was seen with it, by id
     * @param  array<string, string>  $letters  what it has seen of split tests, by the id of the test
     * @param  array<string, list<Fact>>  $facts  of deadlines that began in it while it was nobody's, by id
     * @param  DateTimeImmutable|null  $openSince  when the checkout that is open in it was shown; null where none is, or it was closed
     * @param  bool  $extra  is an extra offer open in it that can be taken?
     * @param  int|null  $order  the number of the order that was placed with it last
     * @param  string|null  $joinedOn  the id of the page on which its last form was filled in
     * @param  list<string>  $seats  ids of webinars for which it has a place
     * @param  list<string>  $registered  ids of those for which it was registered with it
     * @param  list<DoneDeed>  $deeds  what was done with it while it was nobody's
     * @param  list<PopupFact>  $popups  what pop-ups did in it while it was not known whose it is
     * @param  DateTimeImmutable|null  $shown  when the page that is open in it was shown
     * @param  int  $visit  the how-manieth visit this is, with when it began, and when it saw a page last
     */
    public function __construct(
        public string $id,
        public bool $known = false,
        public bool $proven = false,
        public array $views = [],
        public array $letters = [],
        public array $facts = [],
        public ?DateTimeImmutable $openSince = null,
        public ?int $order = null,
        public ?string $joinedOn = null,
        public array $seats = [],
        public int $visit = 0,
        public ?DateTimeImmutable $since = null,
        public ?DateTimeImmutable $last = null,
        public ?DateTimeImmutable $shown = null,
        public array $registered = [],
        public bool $extra = false,
        public array $popups = [],
        public array $deeds = [],
    ) {
    }

    /** Is it known to whom it belongs, as far as deadlines are concerned: also by what was typed in it? */
    public function isIdentified(): bool
    {
        return $this->known || $this->proven || $this->joinedOn !== null || $this->order !== null;
    }

    /** A page is seen with it. */
    public function seeing(string $page): self
    {
        return $this->changed(views: [$page => ($this->views[$page] ?? 0) + 1] + $this->views, openSince: null, extra: false);
    }

    public function did(DoneDeed ...$deeds): self
    {
        return $this->changed(deeds: [...$this->deeds, ...array_values($deeds)]);
    }

    public function popped(PopupFact $fact): self
    {
        return $this->changed(popups: [...$this->popups, $fact]);
    }

    public function withLetter(string $test, string $letter): self
    {
        return $this->changed(letters: $this->letters + [$test => $letter]);
    }

    public function withFact(string $deadline, Fact $fact): self
    {
        return $this->changed(facts: [$deadline => [...$this->facts[$deadline] ?? [], $fact]] + $this->facts);
    }

    /** It is theirs from now on; what began in it is kept with them. */
    public function joined(bool $proven): self
    {
        return $this->changed(known: true, proven: $this->proven || $proven, facts: [], deeds: []);
    }

    public function withForm(string $page): self
    {
        return $this->changed(joinedOn: $page);
    }

    /** A page is open in it from now on. @param  bool  $asks  does it ask for pop-ups? By that alone a visit is known. */
    public function showing(DateTimeImmutable $at, bool $asks): self
    {
        $goesOn = $this->last !== null && Visits::goesOn($this->last, $at);

        return ! $asks ? $this->changed(shown: $at) : $this->changed(shown: $at, visit: $goesOn ? $this->visit : $this->visit + 1,
            since: $goesOn ? $this->since : $at, last: $at);
    }

    public function registering(string $webinar): self
    {
        return $this->changed(registered: array_values(array_unique([...$this->registered, $webinar])));
    }

    public function withSeat(string $webinar): self
    {
        return $this->changed(seats: array_values(array_unique([...$this->seats, $webinar])));
    }

    public function withCheckout(DateTimeImmutable $at): self
    {
        return $this->changed(openSince: $at);
    }

    public function withoutOffers(): self
    {
        return $this->changed(openSince: null, extra: false);
    }

    public function withExtraOffer(): self
    {
        return $this->changed(extra: true);
    }

    public function withOrder(int $number): self
    {
        return $this->changed(order: $number);
    }
}
