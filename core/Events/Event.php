<?php

declare(strict_types=1);

namespace Lantern\Core\Events;

use DateTimeImmutable;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\RegisteredSession;

/** Something a visitor just did, or that was done for them. */
final readonly class Event
{
    /**
     * @param  string|null  $why  one sentence for the owner, where it is known better than from the type alone
     * @param  list<string>  $offers  ids of the offers that were bought or declined, or that a refund or a failed payment is about
     * @param  list<string>  $closed  ids of offers that this buyer cannot take
     * @param  string|null  $popup  the id of the pop-up in which it happened
     * @param  string|null  $webinar  the id of the webinar it is about
     * @param  RegisteredSession|null  $registered  the session that somebody registers for
     * @param  string|null  $deadline  the id of the deadline that is over
     * @param  int  $times  the how-manieth time they see the page
     * @param  string|null  $guide  the id of the guide that was read in
     * @param  list<string>  $pagesRead  ids of the pages of it that were read for the first time
     * @param  array{int, int}  $shares  how much of it was read before, and now, in percent
     * @param  int  $hours  that are left until the deadline is over
     * @param  string|null  $date  the key of the day that came round: {@see Trigger\DateComes::key()}
     * @param  string|null  $email  the id of the email in which a link was followed; likewise `sequence` that was entered
     */
    public function __construct(
        public EventType $type,
        public DateTimeImmutable $at,
        public ?string $page = null,
        public ?string $form = null,
        public ?string $tag = null,
        public ?string $why = null,
        public array $offers = [],
        public array $closed = [],
        public ?string $email = null,
        public ?string $sequence = null,
        public ?string $popup = null,
        public ?string $webinar = null,
        public ?RegisteredSession $registered = null,
        public int $times = 1,
        public ?string $deadline = null,
        public ?string $guide = null,
        public array $pagesRead = [],
        public array $shares = [0, 0],
        public int $hours = 0,
        public ?string $date = null,
    ) {
    }

    /**
     * What triggers compare themselves with; see {@see Trigger\Trigger::key()}.
     *
     * @return list<string>
     */
    public function keys(): array
    {
        return match ($this->type) {
            EventType::Joined => [...($this->form === null ? [] : [Trigger\FormFilledIn::keyOf($this->form)]), Trigger\SignedUp::KEY],
            EventType::Tagged => $this->tag === null ? [] : [Trigger\TagAdded::keyOf($this->tag)],
            EventType::Bought => [Trigger\Bought::KEY, ...array_map(Trigger\BoughtOffer::keyOf(...), $this->offers)],
            EventType::Viewed => $this->page === null ? [] : Trigger\PageSeen::keysOf($this->page, $this->times),
            EventType::Clicked => $this->email === null ? [] : [Trigger\EmailClicked::keyOf($this->email)],
            EventType::Registered => $this->webinar === null ? [] : [Trigger\WebinarRegistered::keyOf($this->webinar)],
            EventType::Attended, EventType::SawOffer, EventType::LeftEarly, EventType::Missed,
            EventType::WatchedReplay => $this->webinar === null ? []
                : [Trigger\WebinarOutcome::keyOf($this->webinar, AttendanceOutcome::from($this->type->value))],
            EventType::Confirmed => $this->form === null ? [] : [Trigger\AddressConfirmed::keyOf($this->form)],
            EventType::Refunded => array_map(Trigger\OfferRefunded::keyOf(...), $this->offers),
            EventType::PaymentFailed => array_map(Trigger\PaymentFailed::keyOf(...), $this->offers),
            EventType::DeadlineOver => $this->deadline === null ? [] : [Trigger\DeadlineOver::keyOf($this->deadline)],
            EventType::DeadlineBegan => $this->deadline === null ? [] : [Trigger\DeadlineBegan::keyOf($this->deadline)],
            EventType::DeadlineNear => $this->deadline === null ? [] : [Trigger\DeadlineNear::keyOf($this->deadline, $this->hours)],
            EventType::Replied => [Trigger\Replied::KEY],
            EventType::DateCame => $this->date === null ? [] : [$this->date],
            EventType::GuideBegun => $this->guide === null ? [] : [Trigger\GuideBegun::keyOf($this->guide)],
            EventType::GuideFinished => $this->guide === null ? [] : [Trigger\GuideFinished::keyOf($this->guide)],
            EventType::GuideRead => $this->guide === null ? [] : [...array_map(Trigger\GuidePageRead::keyOf(...), $this->pagesRead),
                ...Trigger\GuideShareRead::keysOf($this->guide, ...$this->shares)],
            EventType::BecameWarm => [Trigger\BecameWarm::KEY],
            EventType::Entered => $this->sequence === null ? [] : [Trigger\SequenceEntered::keyOf($this->sequence)],
            default => [],
        };
    }
}
