<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\RegisterForSession;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartDeadline;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Webinars\RegisteredSession;

/**
 * Collects what follows from one event, in order. Whatever was decided first counts for what is decided after it: a tag that
 * was just given like one they had, a deadline that just began like one that runs.
 */
final class EffectList
{
    /** @var list<Effect> */
    private array $effects = [];

    /** @var list<string> sequences that this has started already */
    private array $started = [];

    /** @var list<string> sequences that this has ended: it does not start them anew */
    private array $ended = [];

    /** @param  list<AutomationRule>  $business  rules of the whole business, which hear what happens beside those of the funnel */
    public function __construct(private readonly Plan $plan, private PersonState $person, private readonly DateTimeImmutable $at,
        private readonly array $business = [])
    {
    }

    /** @return list<Effect> */
    public function effects(): array
    {
        return $this->effects;
    }

    public function add(Effect $effect): void
    {
        $this->effects[] = $effect;
        $this->person = $effect->appliedTo($this->person, $this->at);
    }

    /** What is known of them by now. */
    public function person(): PersonState
    {
        return $this->person;
    }

    /**
     * Tags are given, and start and end what they start and end.
     *
     * @param  list<string>  $tags
     */
    public function tags(array $tags): void
    {
        $new = array_values(array_filter($tags, fn (string $tag): bool => ! $this->person->hasTag($tag)));
        // All of them first: a tag that ends a sequence keeps another one, given with it, from starting it.
        $this->person = $this->person->withTags($new);
        foreach ($new as $tag) {
            $this->add(new AddTag($tag));
            $this->event(new Event(EventType::Tagged, $this->at, tag: $tag));
        }
    }

    /**
     * A session is somebody's. Emails that are told from it follow for whoever is in their sequence; those told from another session
     * they had before are gone.
     */
    public function register(RegisteredSession $registered): void
    {
        $this->add(new RegisterForSession($registered));
        foreach ($this->plan->sequences as $sequence) {
            if ($this->person->isIn($sequence->id)) {
                $this->emailsOfSession($registered, $sequence);
            }
        }
        $this->event(new Event(EventType::Registered, $this->at, webinar: $registered->webinar));
    }

    private function emailsOfSession(RegisteredSession $registered, SequencePlan $sequence): void
    {
        $timing = $this->timing($sequence);
        foreach ($this->emailsOf($sequence) as $email) {
            $due = $email->bySession()?->webinar === $registered->webinar
                ? $timing->moment($email, $this->at, 0, [], [$registered->webinar => $registered]) : null;
            if ($due !== null && $due >= $this->at) {
                $this->add(self::send($email, $due));
            }
        }
    }

    /**
     * What an event ends, then the deadlines that it starts, then the sequences; then the rules that it sets off.
     *
     * @param  bool  $told  is it told from elsewhere, where the rules of the whole business have heard it already?
     */
    public function event(Event $event, bool $told = false): void
    {
        foreach ($this->plan->sequences as $sequence) {
            $trigger = $this->person->isIn($sequence->id) ? $sequence->ends->heardBy($event) : null;
            if ($trigger !== null) {
                $this->add(new StopSequence($sequence->id, $trigger->words($this->plan->nameOf(...)).', which ends this sequence.'));
                $this->ended[] = $sequence->id;
            }
        }
        $this->deadlines($event);
        foreach ($this->plan->sequences as $sequence) {
            if ($sequence->starts->heardBy($event) !== null) {
                $this->sequence($sequence);
            }
        }
        $name = $this->plan->nameOf(...);
        foreach ([...RulesHeard::by($this->plan->rules, $this->plan->id, $this->person, $event, $name),
            ...($told ? [] : RulesHeard::by($this->business, '', $this->person, $event, $name))] as $begun) {
            $this->add($begun);
        }
    }

    /**
     * Deadlines that an event starts for somebody for whom they may begin. The emails that are told from one follow for whoever
     * is in their sequence.
     */
    private function deadlines(Event $event): void
    {
        foreach ($this->plan->deadlines as $deadline) {
            $trigger = $deadline->starts->heardBy($event);
            if ($trigger !== null) {
                $this->deadline($deadline, $trigger->words($this->plan->nameOf(...)).'.');
            }
        }
    }

    /**
     * A deadline begins, if it may. It never does for the owner in their own browser.
     *
     * @param  string  $why  one sentence for the owner
     */
    public function deadline(Deadline $deadline, string $why): void
    {
        $before = $this->person->deadlines()[$deadline->id] ?? null;
        $run = ! $this->person->owner && $deadline->mayBegin($before, $this->at)
            ? $deadline->begin($this->at, $this->person->zone, $why) : null;
        if ($run === null) {
            return;
        }
        $this->add(new StartDeadline($deadline->id, $run, $before !== null));
        foreach ($this->plan->sequences as $sequence) {
            if ($this->person->isIn($sequence->id)) {
                $this->emailsBy($deadline->id, $run, $sequence, $before !== null);
            }
        }
        $this->event(new Event(EventType::DeadlineBegan, $this->at, deadline: $deadline->id));
    }

    /** @param  bool  $anew  did the deadline run before, so that its emails go out once more? */
    private function emailsBy(string $deadline, Run $run, SequencePlan $sequence, bool $anew): void
    {
        $timing = $this->timing($sequence);
        foreach ($this->emailsOf($sequence) as $email) {
            $due = $email->byDeadline()?->deadline === $deadline && ($anew || ! $this->person->hasEmail($email->id))
                ? $timing->moment($email, $this->at, 0, [$deadline => $run]) : null;
            if ($due !== null && $due >= $this->at) {
                $this->add(self::send($email, $due));
            }
        }
    }

    /**
     * Entering a sequence, if they are not on their way in it, and were not unless it may be entered again. Somebody
     * who has a tag that ends it never enters it. Whoever had its last email stays in it, for emails that are added
     * later, yet is no longer on the way.
     */
    public function sequence(SequencePlan $sequence): void
    {
        if (in_array($sequence->id, [...$this->started, ...$this->ended], true)) {
            return;
        }
        $before = $this->person->isThrough($sequence->id);
        $endedByTag = array_filter($this->person->tags(),
            fn (string $tag): bool => $sequence->ends->heardBy(new Event(EventType::Tagged, $this->at, tag: $tag)) !== null);
        if (($this->person->isIn($sequence->id) && ! $before) || ($before && ! $sequence->again) || $endedByTag !== []) {
            return;
        }
        $this->started[] = $sequence->id;
        $variant = $this->variantOf($sequence);
        $start = new StartSequence($sequence->id, $this->at->setTimezone(new DateTimeZone('UTC')), $variant);
        $this->effects[] = $start;
        // What begins with entering it is known when its emails are timed.
        $this->event(new Event(EventType::Entered, $this->at, sequence: $sequence->id));
        $timing = $this->timing($sequence);
        foreach ($this->plan->as($sequence->id, $variant)->emailsOf($sequence->id) as $email) {
            $due = $timing->moment($email, $this->at, 0, $this->person->deadlines(), $this->person->registrations());
            // An email that was sent or is on its way is not planned again, unless the whole sequence is.
            if ($due !== null && ($before || $email->bySession() !== null || ! $this->person->hasEmail($email->id))
                && (! $email->isTold() || $due >= $this->at)) {
                $this->add(self::send($email, $due));
            }
        }
        // They are in it once its emails are timed: what begins with entering it does not send them a second time.
        $this->person = $start->appliedTo($this->person, $this->at);
    }

    /**
     * The emails of a sequence that somebody is in, at the moments that are theirs: whoever entered it while its timing was in a split
     * test keeps what they got.
     *
     * @return list<EmailPlan>
     */
    private function emailsOf(SequencePlan $sequence): array
    {
        return $this->plan->as($sequence->id, $this->person->enrolments()[$sequence->id]->variant ?? '')->emailsOf($sequence->id);
    }

    /** The letter that somebody gets who enters it now: the one they had before, where they come back to it. */
    private function variantOf(SequencePlan $sequence): string
    {
        $test = $this->person->id === '' ? null : $this->plan->testOf($sequence->id);
        $before = $this->person->enrolments()[$sequence->id]->variant ?? '';
        $weights = $test === null ? [] : $this->plan->weightsOf($test);

        return $test === null ? '' : (isset($weights[$before]) ? $before : Assignment::of($test->id, $this->person->id, $weights));
    }

    private function timing(SequencePlan $sequence): Timing
    {
        return new Timing($sequence, $this->person->zone, $this->person->ownerZone);
    }

    private static function send(EmailPlan $email, DateTimeImmutable $due): SendEmail
    {
        return new SendEmail($email->id, $due, $email->sequence, $email->bySession() === null ? '' : $email->bySession()->webinar);
    }
}
