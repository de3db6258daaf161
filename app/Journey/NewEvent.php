<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\Models\Registration;
use App\Models\Submission;
use App\Models\Version;
use DateTimeImmutable;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Device;
use Lantern\Core\Results\Touch;
use Lantern\Core\Webinars\RegisteredSession;

/** Something that just happened, with all that is known of it, on its way through {@see Events}. */
final readonly class NewEvent
{
    /**
     * @param  Funnel|null  $funnel  where it happened; none for what concerns a person alone
     * @param  Version|null  $version  that the visitor saw, where it is not the live one
     * @param  string|null  $page  an id; likewise `form`
     * @param  string|null  $personId  where the person is not at hand: then it is recorded, and nothing is carried out
     * @param  string|null  $visitor  the browser's own id
     * @param  bool  $owner  did the owner do it, in their own browser? Then it counts nowhere.
     * @param  array<string, mixed>  $data  what else is to be kept with it
     * @param  Submission|null  $submission  the form that led to it, if one did
     * @param  string|null  $why  one sentence for the owner, where it is known better than from the type alone
     * @param  list<string>  $offers  ids of the offers that were bought or declined
     * @param  list<string>  $closed  ids of offers that this buyer cannot take
     * @param  Order|null  $order  by which
     * @param  string|null  $email  the id of the email of a funnel in which a link was followed
     * @param  string|null  $webinar  the id of the webinar it is about
     * @param  RegisteredSession|null  $registered  the session that they register for
     * @param  string|null  $deadline  the id of the deadline that is over
     * @param  int  $times  the how-manieth time that they see the page
     * @param  string|null  $source  what the visit came from, by its short name; see {@see \Lantern\Core\Results\Touch}
     * @param  Device|null  $device  by what, where the browser itself asks
     * @param  array{test: string, letter: string}|null  $variant  of a page in a split test: what was seen of it
     * @param  string|null  $part  the id of the block that was pressed, or of the section that was read
     * @param  string|null  $guide  the id of the guide that was read in
     * @param  list<string>  $pagesRead  ids of the pages of it that were read for the first time
     * @param  array{int, int}  $shares  how much of it was read before, and now, in percent
     * @param  int  $hours  that are left until the deadline is over
     * @param  string|null  $date  the key of the day that came round
     * @param  Stranger|null  $stranger  who it is where no person is known, for what can happen to a browser alone
     */
    public function __construct(
        public EventType $type,
        public Business $business,
        public DateTimeImmutable $at,
        public ?Funnel $funnel = null,
        public ?Version $version = null,
        public ?string $page = null,
        public ?string $form = null,
        public ?string $tag = null,
        public ?Person $person = null,
        public ?string $personId = null,
        public ?string $visitor = null,
        public ?string $source = null,
        public bool $owner = false,
        public array $data = [],
        public ?Submission $submission = null,
        public ?string $why = null,
        public array $offers = [],
        public array $closed = [],
        public ?Order $order = null,
        public ?string $email = null,
        public ?Stranger $stranger = null,
        public ?string $webinar = null,
        public ?RegisteredSession $registered = null,
        public bool $alone = false,
        public int $times = 1,
        public ?string $deadline = null,
        public ?Device $device = null,
        public ?array $variant = null,
        public ?string $part = null,
        public ?string $guide = null,
        public array $pagesRead = [],
        public array $shares = [0, 0],
        public int $hours = 0,
        public ?string $date = null,
    ) {
    }

    /**
     * Something that happened to a person, on no page.
     *
     * @param  array<string, mixed>  $data
     */
    public static function of(
        EventType $type,
        Person $person,
        DateTimeImmutable $at,
        ?Funnel $funnel = null,
        ?string $tag = null,
        array $data = [],
        ?string $why = null,
    ): self {
        $person->loadMissing('business');

        return new self($type, $person->business, $at, $funnel, tag: $tag, person: $person, data: $data, why: $why);
    }

    /**
     * What came back of a message to somebody.
     *
     * @param  array<string, mixed>  $data
     */
    public static function ofMessage(EventType $type, Message $message, Person $person, DateTimeImmutable $at, array $data = []): self
    {
        $message->loadMissing('funnel.liveVersion');

        $person->loadMissing('business');

        return new self($type, $person->business, $at, $message->funnel, person: $person, data: ['message' => $message->id] + $data,
            email: $message->email_id);
    }

    /** Something that a filled-in form led to. */
    public static function ofSubmission(EventType $type, Submission $submission, DateTimeImmutable $at, bool $owner,
        ?RegisteredSession $registered = null): self
    {
        return new self($type, $submission->funnel->business, $at, $submission->funnel, $submission->version, $submission->page_id,
            $submission->form_id,
            person: $submission->person, visitor: $submission->visitor, source: Touch::of($submission->source ?? []) ?: null, owner: $owner,
            data: ['submission' => $submission->id], submission: $submission, registered: $registered);
    }

    /**
     * Something that happened to somebody's session.
     *
     * @param  RegisteredSession|null  $registered  the session that is theirs from now on
     */
    public static function ofRegistration(EventType $type, Registration $registration, DateTimeImmutable $at,
        ?RegisteredSession $registered = null): self
    {
        $registration->loadMissing(['funnel.business', 'funnel.liveVersion', 'version', 'person.business']);

        return new self($type, $registration->funnel->business, $at, $registration->funnel,
            $registration->funnel->liveVersion ?? $registration->version, person: $registration->person, owner: $registration->owner,
            data: ['webinar' => $registration->webinar_id, 'session' => $registered->session->key ?? $registration->session_key],
            webinar: $registration->webinar_id, registered: $registered);
    }

    /**
     * Something that happened to an order, on a page of its funnel.
     *
     * @param  list<string>  $offers  ids
     * @param  list<string>  $closed  ids of offers that this buyer cannot take
     * @param  array<string, mixed>  $data
     */
    public static function ofOrder(
        EventType $type,
        Order $order,
        string $page,
        DateTimeImmutable $at,
        array $offers,
        array $closed,
        array $data = [],
    ): self {
        $order->loadMissing(['funnel.business', 'funnel.liveVersion', 'version', 'person']);

        return new self($type, $order->funnel->business, $at, $order->funnel, $order->version, $page, person: $order->person,
            visitor: $order->visitor, source: $order->source, owner: $order->owner, data: ['order' => $order->id] + $data,
            offers: $offers, closed: $closed, order: $order, alone: $order->joined_at === null);
    }

    public function inCore(): Event
    {
        return new Event($this->type, $this->at, $this->page, $this->form, $this->tag, $this->why, $this->offers,
            $this->closed, $this->email, popup: $this->submission?->popup_id, webinar: $this->webinar, registered: $this->registered,
            times: $this->times, deadline: $this->deadline, guide: $this->guide, pagesRead: $this->pagesRead, shares: $this->shares,
            hours: $this->hours, date: $this->date);
    }
}
