<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateInterval;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\Subscription;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Webinars\AttendanceOutcome;

/**
 * Plays a funnel for one made-up visitor with a made-up clock. It has no rule of its own: whatever is decided is decided by the functions
 * that live traffic asks, one after the other, on what is known in memory.
 */
final readonly class Rehearsal
{
    private Following $following;

    private Passing $passing;

    private Visiting $visiting;

    private SigningUp $signingUp;

    private Buying $buying;

    private Mailbox $mailbox;

    private Watching $watching;

    private ReadingGuide $reading;

    public function __construct(public Stage $stage)
    {
        $following = $this->following = new Following($stage);
        $this->passing = new Passing($stage, $following);
        $this->visiting = new Visiting($stage, $following);
        $this->signingUp = new SigningUp($stage, $following, $this->visiting);
        $this->buying = new Buying($stage, $following, $this->visiting);
        $this->mailbox = new Mailbox($stage, $following, $this->visiting, $this->signingUp, $this->buying);
        $this->watching = new Watching($stage, $this->passing, new Attending($stage, $following), $this->visiting);
        $this->reading = new ReadingGuide($stage, $following, $this->visiting);
    }

    /**
     * @param  PersonState|null  $known  what is known of a real person, who is not touched; null for somebody made up
     */
    public function begin(Visitor $visitor, DateTimeImmutable $start, ?PersonState $known = null): Life
    {
        $start = $start->setTimezone(new DateTimeZone('UTC'));
        $person = ($known ?? PersonState::unknown($visitor->zone(), $this->stage->ownerZone)->withTags($visitor->tags));
        $life = new Life($visitor, $person->identified($person->id === '' ? 'rehearsal' : $person->id), $start);
        foreach ($this->stage->plan->deadlines as $deadline) {
            $run = $deadline->forEveryone($start);
            if ($run !== null) {
                $life->everyone[$deadline->id] = $run->forEverybody();
                // What ended before the funnel went live is told to nobody.
                $life->over += $run->endsAt < $start ? [Following::end($deadline->id, $run) => true] : [];
            }
        }
        if ($known !== null) {
            $this->takeOver($life, $known);
        }
        if ($known !== null || $visitor->known) {
            $life->known = true;
            $life->marketing = $person->subscription === Subscription::Subscribed;
            $life->person = $life->person->withFields(self::named($visitor));
        }

        return $life;
    }

    /** What a real person has come to already: how deadlines run for them, and their sessions. */
    private function takeOver(Life $life, PersonState $known): void
    {
        foreach ($known->deadlines() as $id => $run) {
            if (! $run->forAll) {
                $life->facts[(string) $id] = [new Fact(FactType::Started, $run->startedAt, $run->endsAt, $run->why)];
                $life->over += $run->closed ? [Following::end((string) $id, $run) => true] : [];
            }
        }
        foreach ($known->registrations() as $webinar => $registered) {
            $states = $known->inWebinar((string) $webinar);
            $told = array_values(array_filter(array_map(AttendanceOutcome::tryFrom(...), $states),
                fn (?AttendanceOutcome $o): bool => $o !== null));
            $isOpen = in_array('registered', $states, true);
            // Before their session has begun, whatever is known became of them in earlier ones.
            $life->seats[(string) $webinar] = $isOpen && $registered->session->startsAt > $life->now
                ? new Seat(Intervals::nothing(), Intervals::nothing(), earlier: $told)
                : new Seat(Intervals::nothing(), Intervals::nothing(), $told, $isOpen);
        }
    }

    /**
     * All of a way: from the beginning, choice by choice.
     *
     * @param  list<Choice>  $choices
     */
    public function play(Visitor $visitor, DateTimeImmutable $start, array $choices, ?PersonState $known = null): Life
    {
        $life = $this->begin($visitor, $start, $known);
        foreach ($choices as $choice) {
            $this->choose($life, $choice);
        }

        return $life;
    }

    /** They do something, and what follows at once happens. What cannot be done is told, and changes nothing. */
    public function choose(Life $life, Choice $choice): void
    {
        $life->choices++;
        $life->chosen[] = ['at' => $life->now, 'words' => (new ChoiceWords($this->stage))->of($life, $choice),
            'kind' => $choice->kind];
        $why = match ($choice->kind) {
            ChoiceKind::Come => $this->comes($life, $choice),
            ChoiceKind::Press => $this->presses($life, $choice),
            ChoiceKind::Join => $this->signingUp->join($life, $choice),
            ChoiceKind::Confirm => $this->signingUp->confirm($life),
            ChoiceKind::ClosePopup => $this->closesPopup($life, $choice),
            ChoiceKind::Click => $this->mailbox->click($life, $choice),
            ChoiceKind::Buy => $this->buying->buy($life, $choice, false),
            ChoiceKind::CardRefused => $this->buying->buy($life, $choice, true),
            ChoiceKind::Accept => $this->buying->accept($life),
            ChoiceKind::Decline => $this->buying->decline($life),
            ChoiceKind::Attend => $this->watching->attend($life, $choice),
            ChoiceKind::WatchReplay => $this->watching->replay($life, $choice),
            ChoiceKind::Read => $this->reading->read($life, $choice),
            ChoiceKind::Download => $this->mailbox->download($life, $choice->of),
            ChoiceKind::Unsubscribe => $this->mailbox->unsubscribe($life),
            ChoiceKind::GetTag => $this->getsTag($life, trim($choice->of)),
            ChoiceKind::OtherDevice => $this->changesDevice($life),
            ChoiceKind::Wait => $this->waits($life, $choice),
        };
        if ($why !== null) {
            $life->tell(HappeningKind::Impossible, $choice->of, $why, ['do' => $choice->kind->value]);
        }
        $this->passing->until($life, $life->now);
    }

    /**
     * @param  bool  $worded  is it said what each is, for somebody who reads it?
     * @return list<Option>
     */
    public function options(Life $life, bool $worded = true): array
    {
        return (new Options($this->stage, $this->passing, $worded))->of($life);
    }

    private function comes(Life $life, Choice $choice): null
    {
        $this->visiting->come($life, $choice->of === '' ? $this->stage->plan->entry()->id ?? '' : $choice->of);

        return null;
    }

    private function presses(Life $life, Choice $choice): ?string
    {
        $page = $this->stage->plan->pageAs($life->page, $life->letter) ?? $this->stage->plan->page($life->page);
        if ($page === null || ! in_array($choice->to, [...Links::ofPage($this->stage->plan, $page),
            ...$this->toBuyers($life, $page)], true)) {
            return 'There is no such link on the page they look at.';
        }
        [$kind, $to] = explode(':', $choice->to, 2);
        if ($kind === 'page') {
            $this->visiting->come($life, $to);

            return null;
        }
        $outcome = Outcome::tryFrom($to);
        if ($outcome === Outcome::Declined && $page->role->isExtraOffer()) {
            return $this->buying->decline($life);
        }

        return $outcome !== null && $this->visiting->follow($life, $outcome) ? null : 'The button leads nowhere.';
    }

    /** @return list<string> where the button of an extra offer leads whoever cannot take it */
    private function toBuyers(Life $life, PagePlan $page): array
    {
        return $page->role->isExtraOffer() && ! $life->browser()->extra ? [Presses::ofExtra($this->stage->plan, false)->to] : [];
    }

    private function closesPopup(Life $life, Choice $choice): ?string
    {
        $popup = $this->stage->plan->popup($choice->of);
        if ($popup === null || ! Options::isShown($this->stage, $life, $popup)) {
            return 'This pop-up is not shown to them here.';
        }
        $life->popped($popup->id, PopupFactType::Shown, PopupFactType::Closed);
        $life->tell(HappeningKind::Popup, $popup->id, "They see the pop-up “{$popup->name}” and close it.");

        return null;
    }

    private function getsTag(Life $life, string $tag): ?string
    {
        if ($tag === '' || $life->person->hasTag($tag)) {
            return $tag === '' ? 'A tag has a name.' : 'They have this tag already.';
        }
        if (! $life->known) {
            [$life->known, $life->marketing] = [true, true];
            $life->person = $life->person->standing(SigningUp::standing($life))->activeAt($life->now, $life->now)
                ->withFields(self::named($life->visitor));
        }
        $this->following->tag($life, $tag);

        return null;
    }

    /** @return array<string, list<string>> */
    private static function named(Visitor $visitor): array
    {
        return ['email' => [$visitor->email], 'first_name' => [$visitor->firstName()], 'last_name' => [$visitor->lastName()],
            'timezone' => [$visitor->zone]];
    }

    private function changesDevice(Life $life): null
    {
        $life->browsers[] = new Browser('rehearsal-'.(count($life->browsers) + 1));
        $life->device = count($life->browsers) - 1;
        [$life->page, $life->letter] = ['', ''];
        $life->tell(HappeningKind::OtherDevice, '', 'They go on with another device.');

        return null;
    }

    private function waits(Life $life, Choice $choice): ?string
    {
        if ($choice->of !== '') {
            $run = $life->runs()[$choice->of] ?? null;
            $until = $run?->endsAt->sub(new DateInterval("PT{$choice->minutes}M"));
            if ($until === null || $until < $life->now) {
                return 'This deadline does not run for them any more, or not yet.';
            }
            $this->passing->until($life, $until);

            return null;
        }
        $next = $choice->minutes > 0 ? $life->now->add(new DateInterval("PT{$choice->minutes}M")) : $this->passing->nextMoment($life);
        if ($next === null) {
            return 'Nothing more happens by itself.';
        }
        $this->passing->until($life, $next);

        return null;
    }
}
