<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Sequences\EmailPlan;

/** What goes wrong in any of all ways: each thing is found once, with the first way that shows it. */
final class WayFindings
{
    /** More emails than these within a day are many. */
    public const MANY = 3;

    /** Minutes within which two offers are too close. */
    private const APART = 60;

    /** @var array<string, WayFinding> by what is found, and of what */
    private array $found = [];

    /** @var array<string, true> ids of emails that came and pages that were seen in some way */
    private array $met = [];

    private readonly Rehearsal $rehearsal;

    public function __construct(private readonly Stage $stage)
    {
        $this->rehearsal = new Rehearsal($stage);
    }

    /** @return list<WayFinding> */
    public function list(): array
    {
        return array_values($this->found);
    }

    /**
     * Looks at what has just happened in a way.
     *
     * @param  int  $before  how much had happened before
     */
    public function look(Explored $here, int $before): void
    {
        foreach (array_slice($here->life->happened, $before) as $happening) {
            $this->met[$happening->of] = true;
            $email = $happening->kind === HappeningKind::Email ? $this->stage->plan->email($happening->of) : null;
            if ($email !== null) {
                $this->email($here, $happening, $email);
            }
            if ($happening->kind === HappeningKind::Notice && $happening->text('notice') === 'timeIsUp') {
                $this->find('nowhere', $here->life->chosen === [] ? '' : (string) array_key_last($here->life->chosen),
                    'Somebody is told that the time is up, and led nowhere.', $here);
            }
            if ($happening->kind === HappeningKind::NotForSale && in_array($happening->text('why'), ['over', 'not-yet',
                'time-not-begun'], true)) {
                $this->find('not-for-sale', $happening->of,
                    "Somebody comes to a checkout at which {$this->name($happening->of)} is not sold: {$happening->words}", $here);
            }
        }
    }

    /** What nobody met. It says nothing while not all ways were tried. */
    public function close(bool $cut, DateTimeImmutable $start): void
    {
        $cut = $cut || $this->stage->plan->times->hasClosed($start);
        foreach ($this->stage->plan->webinars as $webinar) {
            // Without a session nobody gets any further: that is said by the check of the webinar.
            $cut = $cut || $webinar->sessions()->offered($start, $this->stage->ownerZone) === [];
        }
        foreach ($cut ? [] : $this->stage->plan->emails as $email) {
            if (! isset($this->met[$email->id]) && $this->stage->plan->sequence($email->sequence) !== null) {
                $this->find('never-sent', $email->id, "{$this->name($email->id)} goes to nobody, whatever they do.", null);
            }
        }
    }

    private function email(Explored $here, Happening $happening, EmailPlan $email): void
    {
        $life = $here->life;
        $links = $life->mail('sequence', $email->id)?->links($this->stage->plan) ?? [];
        $this->days($here, $email);
        foreach ($links as $link) {
            $page = str_starts_with($link, 'page:') ? $this->stage->plan->page(substr($link, 5)) : null;
            $to = $page === null ? '' : $this->ledTo($here, new Choice(ChoiceKind::Click, $email->id, $link));
            if ($page !== null && $to !== $page->id) {
                $elsewhere = $to === '' ? 'no page any more' : "{$this->name($to)} already";
                $this->find('leads-elsewhere', $email->id,
                    "When {$this->name($email->id)} comes, its link to {$this->name($page->id)} leads to {$elsewhere}.", $here);
            }
        }
        $sells = $this->products($links);
        $has = array_intersect($sells, $life->person->products());
        if ($has !== []) {
            $bought = $this->name(array_values($has)[0]);
            $this->find('offers-what-they-have', $email->id, "{$this->name($email->id)} offers {$bought} to somebody who has bought it.",
                $here);
        }
        $earlier = array_filter($life->of(HappeningKind::Email), fn (Happening $h): bool => $h !== $happening && $h->of !== '');
        foreach ($earlier as $other) {
            $apart = abs($happening->at->getTimestamp() - $other->at->getTimestamp());
            $before = $this->stage->plan->email($other->of);
            $sold = $apart < self::APART * 60 && $before !== null && $sells !== []
                ? $this->products($life->mail('sequence', $before->id)?->links($this->stage->plan) ?? []) : [];
            if ($before !== null && $sold !== [] && array_intersect($sells, $sold) === []) {
                $this->find('two-offers', $email->id,
                    "{$this->name($before->id)} and {$this->name($email->id)} come within an hour, with two different offers.", $here);
            }
        }
        $day = array_filter($earlier, fn (Happening $h): bool => $happening->at->getTimestamp() - $h->at->getTimestamp() < 86_400);
        if (count($day) >= self::MANY) {
            $this->find('many-a-day', '', 'Somebody gets '.(count($day) + 1).' emails within a day; the last of them is '
                ."{$this->name($email->id)}.", $here);
        }
    }

    /** The id of the page that they come to who follow a link as soon as its email is there; '' for none. */
    private function ledTo(Explored $here, Choice $click): string
    {
        $there = clone $here->life;
        $this->rehearsal->choose($there, $click);

        return $there->page;
    }

    /** An email that names a day in words, and what it speaks of ends on another one for whoever gets it. */
    private function days(Explored $here, EmailPlan $email): void
    {
        $mail = $here->life->mail('sequence', $email->id);
        if ($mail?->reader === null) {
            return;
        }
        $ends = [];
        foreach ($mail->reader->deadlines() as $id => $run) {
            if ($this->stage->plan->deadline((string) $id) !== null && $run->state($mail->at) === DeadlineState::Running) {
                $ends["{$this->name((string) $id)} ends for whoever gets it so"] = $run->endsAt;
            }
        }
        $facts = new EmailFacts($mail->at, $here->life->visitor->zone(), deadlines: $ends, sendAt: $mail->at);
        foreach (EmailCheck::days($email->name, $email->subject, $mail->body($this->stage->plan), $facts) as $code => $words) {
            $this->find($code, $email->id, $words, $here);
        }
    }

    /**
     * @param  list<string>  $links
     * @return list<string> ids of the products that links of an email lead to: by a page that sells, or one that leads to a checkout
     */
    private function products(array $links): array
    {
        $products = [];
        foreach ($links as $link) {
            $page = str_starts_with($link, 'page:') ? $this->stage->plan->page(substr($link, 5)) : null;
            $way = $page === null || $page->role !== PageRole::Sales ? null : $this->stage->plan->way($page->id, Outcome::Chose);
            foreach ([$page, $way?->toPage === null ? null : $this->stage->plan->page($way->toPage)] as $one) {
                $offer = $one === null || $one->role->isExtraOffer() ? null : $this->stage->plan->offerOn($one);
                $products[] = $offer->product ?? '';
            }
        }

        return array_values(array_unique(array_filter($products, fn (string $p): bool => $p !== '')));
    }

    /**
     * Looks at a page on which something was to be done, and nothing can be.
     *
     * @param  list<Option>  $options
     */
    public function rest(Explored $here, array $options): void
    {
        $rests = [PageRole::ThankYou, PageRole::Confirmation, PageRole::Delivery, PageRole::Closed, PageRole::Free, PageRole::Room,
            PageRole::Replay, PageRole::Guide, PageRole::Lesson, PageRole::Checkout];
        $page = $this->stage->plan->page($here->life->page);
        $left = array_filter($options, fn (Option $o): bool => in_array($o->group, ['page', 'popup'], true));
        if ($page !== null && ! in_array($page->role, $rests, true) && $left === []) {
            $this->find('dead-end', $page->id,
                "On {$this->name($page->id)} there is nothing to do for somebody who comes there so.", $here);
        }
    }

    private function name(string $id): string
    {
        $name = $this->stage->plan->nameOf($id);

        return $name === '' ? 'something' : "“{$name}”";
    }

    private function find(string $code, string $of, string $words, ?Explored $here): void
    {
        $this->found["{$code} {$of}"] ??= new WayFinding($code, $of, $words, $here->way ?? [], $here?->start);
    }
}
