<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
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
use Lantern\Core\Plan\Outcome;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;

/** The way through a funnel: what a visitor did, and what follows from it. Live traffic asks here and nowhere else. */
final readonly class Journey
{
    public function __construct(private Plan $plan)
    {
    }

    public function decide(Visitor $visitor, Event $event): Decision
    {
        $outcome = $event->type->outcome();
        $way = $outcome === null || $event->page === null ? null : $this->plan->way($event->page, $outcome);
        $form = $this->plan->form($event->form ?? '');

        return match ($event->type) {
            EventType::Joined => $form?->doubleOptIn === true ? new Decision(null, [new AskToConfirm($form->id)]) : new Decision($way, $this->joined($visitor, $event, $form)),
            // Where confirming leads nowhere of its own, it leads where joining does.
            EventType::Confirmed => new Decision($way ?? ($event->page === null ? null : $this->plan->way($event->page, Outcome::Joined)), $this->joined($visitor, $event, $form)),
            EventType::Tagged => new Decision(null, $this->tagged($visitor, $event->at, $event->tag ?? '')),
            EventType::Bought => new Decision($way, $this->bought($visitor)),
            EventType::Unsubscribed, EventType::Complained, EventType::Bounced => new Decision(null, [new CancelEmails]),
            EventType::Viewed, EventType::Downloaded, EventType::Asked, EventType::Opened, EventType::Clicked => new Decision($way),
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
            foreach ($this->tagged($visitor, $event->at, $tag, $started) as $effect) {
                $effects[] = $effect;
                $started = $effect instanceof StartSequence ? [...$started, $effect->sequence] : $started;
            }
        }
        foreach ($this->plan->leadMagnets as $leadMagnet) {
            if ($leadMagnet->file !== null) {
                $effects[] = new DeliverFile($leadMagnet->id);
            }
        }
        foreach ($form->stop ?? [] as $sequence) {
            if ($visitor->sequences[$sequence] ?? false) {
                $effects[] = new StopSequence($sequence, "Filled in “{$form?->name}”, which ends this sequence.");
            }
        }
        foreach ($form->start ?? [] as $id) {
            $sequence = $this->plan->sequence($id);
            if ($sequence !== null && ! in_array($id, $started, true)) {
                array_push($effects, ...$this->started($visitor, $event->at, $sequence));
            }
        }
        if ($form !== null && $form->notice !== OwnerNotice::Never) {
            $effects[] = new TellOwner($form->id, $form->notice);
        }
        if ($form !== null && $form->hook !== '') {
            $effects[] = new CallHook($form->id, $form->hook);
        }

        return $effects;
    }

    /**
     * @param  list<string>  $started  sequences that were started in the same breath
     * @return list<Effect>
     */
    private function tagged(Visitor $visitor, DateTimeImmutable $at, string $tag, array $started = []): array
    {
        $effects = [];
        foreach ($this->plan->sequences as $sequence) {
            if ($sequence->endsOn($tag) && ($visitor->sequences[$sequence->id] ?? false)) {
                $effects[] = new StopSequence($sequence->id, "Got the tag “{$tag}”, which ends this sequence.");
            } elseif ($sequence->startsOn($tag) && ! in_array($sequence->id, $started, true)) {
                array_push($effects, ...$this->started($visitor, $at, $sequence));
            }
        }

        return $effects;
    }

    /** @return list<Effect> */
    private function bought(Visitor $visitor): array
    {
        $effects = [];
        foreach ($this->plan->sequences as $sequence) {
            if ($sequence->endsOnBuying && ($visitor->sequences[$sequence->id] ?? false)) {
                $effects[] = new StopSequence($sequence->id, 'Bought, which ends this sequence.');
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
        if (($in === true && ! $before) || ($before && ! $sequence->again) || array_filter($visitor->tags, $sequence->endsOn(...)) !== []) {
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
