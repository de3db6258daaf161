<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Events\Trigger\EmailClicked;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\Enrolment;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rules\DeedRule;
use Lantern\Core\Rules\Group;
use Lantern\Core\Sequences\EmailPlan;

/**
 * Every combination of what somebody can do, folded into what really differs: ways that have come to the same page with the same that
 * is known of them are one. What goes wrong in any of them is found, with a way that shows it.
 *
 * The shortest ways are tried first, and no more places than {@see self::MOST}: of a funnel in which more differs, the longest ways are
 * left out, and that is said.
 */
final class AllWays
{
    /** Places that are looked at. */
    public const MOST = 1_000;

    /** Choices of one way, and days of its life. */
    public const LONGEST = 60;

    private const DAYS = 90;

    /** Moments one after the other that may make no difference. */
    private const WAITS = 30;

    /** @var array<string, true> */
    private array $known = [];

    /** @var list<Explored> */
    private array $open = [];

    /** @var array<string, KindOfPerson> by its words */
    public array $kinds = [];

    public int $places = 0;

    /** Was more to be tried than is tried? */
    public bool $cut = false;

    private readonly Rehearsal $rehearsal;

    public readonly WayFindings $findings;

    /** @var list<string> ids of emails of which it matters whether they were clicked in */
    private array $clicks = [];

    /** @var array<string, int> how many views of a page matter, by its id */
    private array $views = [];

    private function __construct(private readonly Stage $stage, private readonly DateTimeImmutable $start)
    {
        $this->rehearsal = new Rehearsal($stage);
        $this->findings = new WayFindings($stage);
        $this->listen();
    }

    public static function of(Stage $stage, Visitor $visitor, DateTimeImmutable $start): self
    {
        $ways = new self($stage, $start);
        $ways->try($visitor);

        return $ways;
    }

    private function try(Visitor $visitor): void
    {
        // Whoever comes before a funnel opens meets another one than whoever comes after it.
        $opens = $this->stage->plan->times->opens?->at();
        foreach ([$this->start, ...($opens !== null && $opens > $this->start ? [$opens] : [])] as $start) {
            $this->open[] = new Explored($this->rehearsal->begin($visitor, $start), []);
        }
        while (($here = array_shift($this->open)) !== null) {
            if ($this->places >= self::MOST) {
                $this->cut = true;

                break;
            }
            $this->places++;
            $options = $this->rehearsal->options($here->life, false);
            $this->findings->rest($here, $options);
            $choices = $this->choices($here, $options);
            $goesOn = array_filter($choices, fn (Choice $c): bool => $c->kind === ChoiceKind::Wait) !== [];
            if (! $goesOn || count($here->way) >= self::LONGEST) {
                $this->end($here);
            }
            if (count($here->way) >= self::LONGEST) {
                continue;
            }
            foreach ($choices as $choice) {
                $this->go($here, $choice);
            }
        }
        foreach ($this->open as $left) {
            $this->end($left);
        }
        $this->findings->close($this->cut, $this->start);
        ksort($this->kinds);
    }

    private function go(Explored $here, Choice $choice): void
    {
        $was = $this->place($here);
        for ($times = 0; $times < self::WAITS; $times++) {
            $next = ($next ?? $here)->with($choice);
            [$before, $impossible] = [count($next->life->happened), count($next->life->of(HappeningKind::Impossible))];
            if ($choice->kind === ChoiceKind::Wait) {
                // Whoever waits has left the page.
                [$next->life->page, $next->life->letter] = ['', ''];
            }
            $this->rehearsal->choose($next->life, $choice);
            $this->findings->look($next, $before);
            $place = $this->place($next);
            // Time passes until it makes a difference: a moment that makes none is no other place.
            if ($choice->kind !== ChoiceKind::Wait || $place !== $was
                || count($next->life->of(HappeningKind::Impossible)) > $impossible) {
                break;
            }
        }
        if (! isset($this->known[$place])) {
            $this->known[$place] = true;
            $this->open[] = $next;
        } elseif ($choice->kind === ChoiceKind::Wait && $place === $was) {
            $this->end($next);
        }
    }

    private function end(Explored $here): void
    {
        $kind = KindOfPerson::of($this->stage->plan, $here->life, $here->way, $here->start);
        $this->kinds[$kind->words] = isset($this->kinds[$kind->words]) ? $this->kinds[$kind->words]->and($kind) : $kind;
    }

    /**
     * @param  list<Option>  $options
     * @return list<Choice> what is tried next: what leads on, and letting time pass
     */
    private function choices(Explored $here, array $options): array
    {
        if ($here->life->now > $here->start->modify('+'.self::DAYS.' days')) {
            return [];
        }
        $choices = [];
        $links = [];
        foreach ($options as $option) {
            $choice = $option->choice;
            $wanted = match ($choice->kind) {
                ChoiceKind::Join => true,
                ChoiceKind::Buy, ChoiceKind::Accept, ChoiceKind::Decline, ChoiceKind::Confirm => true,
                ChoiceKind::Read => $choice->to === '',
                ChoiceKind::Press => true,
                ChoiceKind::Click => ! in_array("{$choice->of} {$choice->to}", $here->clicked, true)
                    && (str_starts_with($choice->to, 'page:') || in_array($choice->to, ['room', 'replay'], true)),
                ChoiceKind::Come => $here->way === [] && $option->group === 'page',
                ChoiceKind::GetTag => $here->way === [],
                ChoiceKind::Attend => ! $this->stays($choices, $choice->of),
                ChoiceKind::Wait => $choice->of === '' && $choice->minutes === 0,
                default => false,
            };
            // Which email a link was followed in makes no difference where nothing waits for that.
            $link = $choice->kind === ChoiceKind::Click && ! in_array($choice->of, $this->clicks, true) ? $choice->to : null;
            if ($wanted && ($link === null || ! isset($links[$link]))) {
                $choices[] = $choice;
                $last = $option->sessions[count($option->sessions) - 1] ?? null;
                if ($last !== null && count($option->sessions) > 1) {
                    // The first session that is offered, and the last: what comes long before one comes to those alone.
                    $choices[] = new Choice(ChoiceKind::Join, $choice->of, session: $last['key'], popup: $choice->popup);
                }
                $links += $link === null ? [] : [$link => true];
            }
        }

        return $choices;
    }

    /**
     * The longest stay is offered first.
     *
     * @param  list<Choice>  $choices
     */
    private function stays(array $choices, string $webinar): bool
    {
        return array_filter($choices, fn (Choice $c): bool => $c->kind === ChoiceKind::Attend && $c->of === $webinar) !== [];
    }

    /** What of a place makes it another one, but for when it is. */
    private function place(Explored $here): string
    {
        $life = $here->life;
        $person = Following::known($life);
        $emails = array_map(fn (PlannedEmail $e): string => $e->email.($e->state === MessageState::Waiting ? '?' : ''), $person->emails());
        sort($emails);
        $tags = $person->tags();
        sort($tags);
        $runs = [];
        foreach ($life->runs($life->known) as $id => $run) {
            $runs[] = $id.(match ($run->state($life->now)) {
                DeadlineState::Over, DeadlineState::Grace => '-',
                default => '+',
            });
        }
        sort($runs);
        $clicked = array_filter($here->clicked, fn (string $c): bool => in_array(explode(' ', $c)[0], $this->clicks, true));
        $views = array_map(fn (string $page, int $most): int => min($most, $life->browser()->views[$page] ?? 0), array_keys($this->views),
            $this->views);
        $seats = array_map(fn (Seat $s): array => [$s->became(false), $s->ever(false)], $life->seats);
        $orders = array_map(fn (PlacedOrder $o): array => [$o->offers, $o->theirs], $life->orders);

        return hash('xxh128', serialize([$life->page, $life->letter, $life->known, $life->pending, count($life->asked),
            $person->subscription->value, $tags, array_map(fn (Enrolment $e): array => [$e->ended, $e->run], $person->enrolments()),
            $emails,
            $runs, array_values($clicked), $views, $seats, $orders, $life->browser()->extra, $life->browser()->openSince !== null,
            array_map(fn ($p): int => $p->share, $life->reading),
            array_map(fn (BegunRule $b): string => $b->begun->rule, $life->rules), array_keys($life->acted)]));
    }

    /** Which clicks and how many views anything waits for: all others are forgotten. */
    private function listen(): void
    {
        $plan = $this->stage->plan;
        foreach ($plan->deadlines as $deadline) {
            $this->hear($deadline->starts->list);
        }
        foreach ($plan->sequences as $sequence) {
            $this->hear([...$sequence->starts->list, ...$sequence->ends->list]);
        }
        $rules = [...$plan->rules, ...$this->stage->rules];
        foreach ($rules as $rule) {
            $this->hear($rule->when->list);
        }
        foreach ([...array_map(fn (EmailPlan $e): Group => $e->only, $plan->emails),
            ...array_map(fn (AutomationRule $r): Group => $r->only, $rules)] as $group) {
            foreach ($group->rules() as $rule) {
                if ($rule instanceof DeedRule && $rule->deed === Deed::Clicked) {
                    $this->clicks[] = $rule->with;
                }
                if ($rule instanceof DeedRule && $rule->deed === Deed::Viewed) {
                    $this->views[$rule->with] = max(1, $this->views[$rule->with] ?? 0);
                }
            }
        }
    }

    /** @param  list<Trigger>  $triggers */
    private function hear(array $triggers): void
    {
        foreach ($triggers as $trigger) {
            if ($trigger instanceof EmailClicked) {
                $this->clicks[] = $trigger->email;
            }
            if ($trigger instanceof PageSeen) {
                $this->views[$trigger->page] = max($trigger->times, $this->views[$trigger->page] ?? 0);
            }
        }
    }
}
