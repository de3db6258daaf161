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
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
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
    public function __construct(private Plan $plan)
    {
    }

    public function decide(Visitor $visitor, Event $event): Decision
    {
        $outcome = $event->type->outcome();
        $way = $outcome === null ? null : $this->way($event->page, $outcome);
        $form = $this->plan->form($event->form ?? '');

        return match ($event->type) {
            EventType::Unsubscribed, EventType::Complained, EventType::Bounced => self::withoutFunnel($event),
            EventType::Asked => new Decision(null, $form === null ? [] : [new AskToConfirm($form->id)]),
            EventType::Joined => new Decision($way, $this->joined($visitor, $event, $form)),
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

    /** Why nothing more is sent, in one sentence for the owner. */
    private static function whyCancelled(EventType $type): string
    {
        return match ($type) {
            EventType::Bounced => 'This address refused an earlier message for good.',
            EventType::Complained => 'Reported an earlier email as spam.',
            default => 'Unsubscribed before it was due.',
        };
    }

    /** @return list<Effect> */
    private function joined(Visitor $visitor, Event $event, ?FormPlan $form): array
    {
        $effects = [];
        $started = [];
        $new = array_values(array_filter($form->tags ?? [], fn (string $tag): bool => ! $visitor->hasTag($tag)));
        // A tag they get by joining counts like one they had: a sequence that it ends does not begin either.
        $visitor = $visitor->withTags($new);
        foreach ($new as $tag) {
            $effects[] = new AddTag($tag);
            foreach ($this->triggered($visitor, new Event(EventType::Tagged, $event->at, tag: $tag), $started) as $effect) {
                $effects[] = $effect;
                $started = $effect instanceof StartSequence ? [...$started, $effect->sequence] : $started;
            }
        }
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
