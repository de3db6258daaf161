<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Visits\Opening;
use Lantern\Core\Visits\Openness;
use Lantern\Core\Warmth\Weights;
use Lantern\Core\Webinars\Webinar;

/** What a funnel is played on: itself, as if it were live, and all of the business that has a say in it. */
final readonly class Stage
{
    /**
     * @param  DateTimeZone  $ownerZone  in which days begin and end for the business
     * @param  array<string, int>  $lengths  seconds of recordings, by the id of the webinar
     * @param  int  $freshMinutes  for which extra offers are had with an order
     * @param  list<Plan>  $others  of live funnels beside it, which hear what happens
     * @param  list<string>  $paused  ids of sequences that stand still
     * @param  int  $formSeconds  for which a page may stay open before its form must be loaded anew
     * @param  list<AutomationRule>  $rules  of the whole business
     * @param  list<string>  $pausedRules  ids of rules that stand still
     * @param  array<string, string>  $fields  what own fields of people are called, by name
     * @param  int  $confirmHours  for which the link holds that asks whether an address is theirs
     */
    public function __construct(
        public Plan $plan,
        public DateTimeZone $ownerZone,
        public TaxRate $tax,
        public array $lengths = [],
        public int $freshMinutes = 30,
        public array $others = [],
        public array $paused = [],
        public ?Weights $weights = null,
        public int $confirmHours = 72,
        public int $formSeconds = 604_800,
        public array $rules = [],
        public array $pausedRules = [],
        public array $fields = [],
    ) {
    }

    /** The funnel that an email belongs to. */
    public function planOf(string $email): ?Plan
    {
        foreach ([$this->plan, ...$this->others] as $plan) {
            if ($plan->email($email) !== null) {
                return $plan;
            }
        }

        return null;
    }

    /** The funnel that a part belongs to: the one that is played, or a live one beside it. */
    public function planWith(string $part): ?Plan
    {
        foreach ([$this->plan, ...$this->others] as $plan) {
            if ($plan->part($part) !== null) {
                return $plan;
            }
        }

        return null;
    }

    public function ruleOfBusiness(string $id): ?AutomationRule
    {
        foreach ($this->rules as $rule) {
            if ($rule->id === $id) {
                return $rule;
            }
        }

        return null;
    }

    public function ruleName(string $id): string
    {
        return $this->planWith($id)?->nameOf($id) ?? $this->ruleOfBusiness($id)->name ?? '';
    }

    /** @return list<string> keys of what anything waits for, in any funnel or in the whole business */
    public function waitedFor(): array
    {
        return array_values(array_unique(array_merge($this->plan->listensTo(), ...array_map(fn (Plan $p): array => $p->listensTo(),
            $this->others), ...array_map(fn (AutomationRule $r): array => $r->when->keys(), $this->rules))));
    }

    /** Seconds of what is played; of the planned session where there is no recording. */
    public function length(Webinar $webinar): int
    {
        return $this->lengths[$webinar->id] ?? $webinar->schedule->minutes * 60;
    }

    public function weights(): Weights
    {
        return $this->weights ?? Weights::usual();
    }

    /** The same with another plan of the funnel, such as a draft in place of what is live. */
    public function playing(Plan $plan): self
    {
        return new self($plan, $this->ownerZone, $this->tax, $this->lengths, $this->freshMinutes, $this->others, $this->paused,
            $this->weights, $this->confirmHours, $this->formSeconds, $this->rules, $this->pausedRules, $this->fields);
    }

    /** When the funnel is open: as if it were live. */
    public function opening(): Opening
    {
        return new Opening(FunnelState::Live, true, $this->plan->times->opens?->at(), $this->plan->times->closes?->at());
    }

    /** Does a page ask for pop-ups? Every page of a funnel that has one does, while it is open; none where somebody pays. */
    public function asksForPopups(PagePlan $page, DateTimeImmutable $now): bool
    {
        return ! $page->role->isQuiet() && $this->opening()->at($now) === Openness::Open
            && array_filter($this->plan->popups, fn (Popup $p): bool => $p->on && ! $p->isPlaced()) !== [];
    }
}
