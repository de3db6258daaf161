<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\Facts;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Deadlines\HeldRun;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Guides\Progress;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\BeginRule;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\RegisterForSession;
use Lantern\Core\Journey\Effects\RemoveTag;
use Lantern\Core\Journey\Effects\StartDeadline;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
use Lantern\Core\Journey\Effects\TellOwnerOfReader;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Journey\Journey;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\People\State\GuideState;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Results\Days;
use Lantern\Core\Warmth\Actions;
use Lantern\Core\Warmth\Score;
use Lantern\Core\Warmth\Warming;

/**
 * The door of a rehearsal for what happens: an event is noted, the {@see Journey} of the funnel and of every other one that listens is
 * asked, as live traffic asks it, and what they decide happens to what is known of the person.
 */
final readonly class Following
{
    public function __construct(private Stage $stage)
    {
    }

    /** Something happened to the person. */
    public function take(Life $life, Event $event): Decision
    {
        $warmer = $this->note($life, $event);
        $decision = (new Journey($this->stage->plan, $this->stage->rules))->decide(self::known($life), $event);
        $this->carryOut($life, $decision->effects, $this->stage->plan, $event);
        $this->hear($life, $event, $this->stage->plan);
        if ($warmer) {
            $life->tell(HappeningKind::BecameWarm, '', 'They became warm.', ['warmth' => $life->person->warmth()]);
            $this->hear($life, new Event(EventType::BecameWarm, $life->now), null);
        }

        return $decision;
    }

    /** Something happened on a device that is nobody's: a deadline may begin in it, and nothing else. */
    public function takeOfStranger(Life $life, Event $event): Decision
    {
        $stranger = new PersonState($life->visitor->zone(), $this->stage->ownerZone, tags: [], deadlines: $life->runs(), registrations: [],
            enrolments: [], emails: []);
        $decision = (new Journey($this->stage->plan, $this->stage->rules))->decide($stranger, $event);
        foreach ($decision->effectsOf(StartDeadline::class) as $effect) {
            $life->use($life->browser()->withFact($effect->deadline, self::fact($effect)));
            $this->begins($life, $effect);
        }
        // It is theirs once the device turns out to be.
        $life->use($life->browser()->did(...$this->deeds($life, $event)));

        return $decision;
    }

    /**
     * Something happened to an order that is not known to be its person's: what belongs to the order itself follows.
     */
    public function takeOfOrder(Life $life, Event $event): Decision
    {
        $decision = (new Journey($this->stage->plan, $this->stage->rules))->decide(self::known($life), $event);
        $this->carryOut($life, $decision->ofOrder()->effects, $this->stage->plan, $event);
        $life->use($life->browser()->did(...$this->deeds($life, $event)));

        return $decision;
    }

    /** An order has become its person's: the rest of what follows from it. */
    public function joined(Life $life, Event $event): void
    {
        $decision = (new Journey($this->stage->plan, $this->stage->rules))->decide(self::known($life), $event);
        $this->carryOut($life, $decision->ofPerson()->effects, $this->stage->plan, $event);
        $this->hear($life, $event, $this->stage->plan);
        $this->does($life, $event);
    }

    /** They get a tag that no funnel gave them: each that waits for it hears of it. */
    public function tag(Life $life, string $tag): void
    {
        $life->person = $life->person->withTags([$tag]);
        $life->tell(HappeningKind::Tagged, $tag, "They get the tag “{$tag}”.");
        $this->hear($life, new Event(EventType::Tagged, $life->now, tag: $tag), null);
    }

    /** Something happened to them in no funnel. */
    public function hearOfNoFunnel(Life $life, Event $event): void
    {
        $this->hear($life, $event, null);
    }

    /** What is known of the person, with what stands otherwise by the clock alone. */
    public static function known(Life $life): PersonState
    {
        $runs = [];
        foreach ($life->facts + $life->everyone as $id => $ignored) {
            $run = Facts::run($life->facts[$id] ?? []);
            $held = HeldRun::of(array_values(array_filter([$run, $life->everyone[$id] ?? null])), $life->now);
            $runs += $held === null ? [] : [(string) $id => self::closed($held, isset($life->over[self::end((string) $id, $held)]))];
        }
        $webinars = [];
        foreach ($life->seats as $id => $seat) {
            $waits = $life->person->registrations()[$id]->waiting ?? true;
            $webinars[(string) $id] = $seat->ever($waits);
        }

        return $life->person = $life->person->asOfNow($runs, $webinars);
    }

    /** By what an end is told once. */
    public static function end(string $deadline, Run $run): string
    {
        return $deadline.' '.$run->endsAt->format('U.u');
    }

    private static function closed(Run $run, bool $closed): Run
    {
        return $closed ? new Run($run->startedAt, $run->endsAt, $run->why, true, $run->forAll, $run->ofOtherKind) : $run;
    }

    /** Funnels that wait for it hear of it: all but the one that has decided already. */
    private function hear(Life $life, Event $event, ?Plan $except): void
    {
        $keys = $event->keys();
        if ($except === null && $keys !== []) {
            // What happens in no funnel is heard by the rules of the business first.
            $this->carryOut($life, Journey::ofBusiness($this->stage->rules, self::known($life), $event)->effects, Plan::none(), $event);
        }
        foreach ($keys === [] ? [] : [$this->stage->plan, ...$this->stage->others] as $plan) {
            if ($plan !== $except && array_intersect($keys, $plan->listensTo()) !== []) {
                // Looked up anew each time: what one funnel did is known to the next.
                $this->carryOut($life, (new Journey($plan, $this->stage->rules))->listen(self::known($life), $event)->effects, $plan,
                    $event);
            }
        }
    }

    /** @param  list<Effect>  $effects */
    public function carryOut(Life $life, array $effects, Plan $plan, Event $event): void
    {
        foreach ($effects as $effect) {
            $life->person = $effect->appliedTo($life->person, $life->now);
            match (true) {
                $effect instanceof StartDeadline => $this->starts($life, $effect),
                $effect instanceof RegisterForSession => $this->registers($life, $effect, $plan, $event),
                $effect instanceof AddTag => $this->tagged($life, $effect, $plan),
                $effect instanceof BeginRule => RulesBegun::begin($this->stage, $life, $effect),
                default => $this->say($life, $effect, $plan),
            };
        }
    }

    private function starts(Life $life, StartDeadline $effect): void
    {
        $life->facts[$effect->deadline][] = self::fact($effect);
        $this->begins($life, $effect);
    }

    private static function fact(StartDeadline $effect): Fact
    {
        return new Fact(FactType::Started, $effect->run->startedAt, $effect->run->endsAt, $effect->run->why, $effect->anew);
    }

    private function begins(Life $life, StartDeadline $effect): void
    {
        $life->tell(HappeningKind::DeadlineStarted, $effect->deadline, '“'.$this->stage->plan->nameOf($effect->deadline)
            .'” begins for them: '
            .$effect->run->why, ['ends' => Moments::written($effect->run->endsAt), 'anew' => $effect->anew]);
    }

    private function registers(Life $life, RegisterForSession $effect, Plan $plan, Event $event): void
    {
        $registered = $effect->registered;
        $life->seats = [$registered->webinar => Seat::taken($life->seats[$registered->webinar] ?? null)] + $life->seats;
        $life->tell(HappeningKind::Registered, $registered->webinar, $registered->waiting ? 'They wait for a place in a session.'
            : 'They have a place in a session.', ['starts' => Moments::written($registered->session->startsAt),
                'session' => $registered->session->key, 'waiting' => $registered->waiting]);
        if ($event->type === EventType::Joined) {
            // It came with a form; the funnel that took it has decided already.
            $this->hear($life, new Event(EventType::Registered, $life->now, webinar: $registered->webinar), $plan);
        }
    }

    private function tagged(Life $life, AddTag $effect, Plan $plan): void
    {
        $life->tell(HappeningKind::Tagged, $effect->tag, "They get the tag “{$effect->tag}”.");
        $this->hear($life, new Event(EventType::Tagged, $life->now, tag: $effect->tag), $plan);
    }

    /** What changes nothing that is asked for later is told all the same. */
    private function say(Life $life, Effect $effect, Plan $plan): void
    {
        $name = fn (string $id): string => '“'.$plan->nameOf($id).'”';
        [$kind, $of, $words] = match (true) {
            $effect instanceof StartSequence => [HappeningKind::SequenceStarted, $effect->sequence, $name($effect->sequence)
                .' begins for them.'],
            $effect instanceof StopSequence => [HappeningKind::SequenceEnded, $effect->sequence, $name($effect->sequence)
                .' ends for them. '.$effect->why],
            $effect instanceof GiveProduct => [HappeningKind::ProductGiven, $effect->product, 'They get access to '
                .$name($effect->product).'.'],
            $effect instanceof DeliverFile => [HappeningKind::FileGiven, $effect->leadMagnet, 'They get '.$name($effect->leadMagnet).'.'],
            $effect instanceof TellOwner => [HappeningKind::OwnerTold, $effect->form, 'You are told that they filled in '
                .$name($effect->form).'.'],
            $effect instanceof TellOwnerOfSale => [HappeningKind::OwnerTold, '', 'You are told of the sale.'],
            $effect instanceof TellOwnerOfReader => [HappeningKind::OwnerTold, $effect->guide, 'You are told that they read.'],
            $effect instanceof CallHook => [HappeningKind::AddressCalled, $effect->form, "{$effect->url} is told that they filled in "
                .$name($effect->form).'.'],
            $effect instanceof RemoveTag => [HappeningKind::TagRemoved, $effect->tag, "They lose the tag “{$effect->tag}”."],
            $effect instanceof AskToConfirm => [HappeningKind::Asked, $effect->form, 'They are asked to confirm their address.'],
            default => [null, '', ''],
        };
        if ($effect instanceof AskToConfirm) {
            $life->mails[] = new Mail('confirm', $effect->form, $life->now, 'Please confirm your address');
        }
        if ($kind !== null) {
            $life->tell($kind, $of, $words);
        }
    }

    /** @return bool did they become warm by it? */
    private function note(Life $life, Event $event): bool
    {
        $this->does($life, $event);
        $this->reads($life, $event);

        return $this->warms($life, $event);
    }

    private function does(Life $life, Event $event): void
    {
        if ($event->type->isActivity()) {
            $life->person = $life->person->activeAt($life->now, $event->type === EventType::Joined ? $life->now : null);
        }
        $life->person = $life->person->having(...$this->deeds($life, $event));
    }

    /** @return list<DoneDeed> */
    private function deeds(Life $life, Event $event): array
    {
        $deed = Deed::ofEvent($event->type->value);

        return $deed === null ? [] : array_map(fn (string $with): DoneDeed => new DoneDeed($deed, $with, $life->now),
            array_values(array_filter([$this->stage->plan->id, $event->page ?? ''], fn (string $w): bool => $w !== '')));
    }

    private function reads(Life $life, Event $event): void
    {
        $progress = $life->reading[$event->guide ?? ''] ?? new Progress;
        $before = $event->guide === null ? null : $life->person->guides()[$event->guide] ?? new GuideState;
        if ($event->guide !== null && $before !== null) {
            $life->person = $life->person->withGuide($event->guide, new GuideState($before->begun ?? $life->now,
                $before->finished ?? ($event->type === EventType::GuideFinished ? $life->now : null), $progress->share,
                $before->read + array_fill_keys($event->pagesRead, $life->now)));
        }
    }

    private function warms(Life $life, Event $event): bool
    {
        $role = $event->type === EventType::Viewed ? $this->stage->plan->page($event->page ?? '')->role->value ?? '' : '';
        $action = Actions::of($event->type, $role);
        $day = Days::of($life->now, $this->stage->ownerZone);
        if ($action === null || in_array($day, $life->warmDays[$action->value] ?? [], true)) {
            return false;
        }
        $reached = $life->person->subscription->isReached();
        $before = Score::of($this->stage->weights(), $life->warmDays, $day, ! $reached)->value;
        $life->warmDays[$action->value][] = $day;
        $after = Score::of($this->stage->weights(), $life->warmDays, $day, ! $reached)->value;
        $life->person = $life->person->asWarmAs($after);

        return Warming::of($before, $after, $life->person->subscription)->becameWarm();
    }
}
