<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\People\Subscription;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Webinars\AttendeePlace;

/** What is done with an email that has come. */
final readonly class Mailbox
{
    public function __construct(private Stage $stage, private Following $following, private Visiting $visiting,
        private SigningUp $signingUp, private Buying $buying)
    {
    }

    /** @return string|null why it is not possible */
    public function click(Life $life, Choice $choice): ?string
    {
        if ($choice->of === '' && $life->mails !== [] && $choice->to === 'purchases') {
            return $this->purchases($life);
        }
        $mail = $life->mail('sequence', $choice->of);
        $email = $mail?->email($this->stage->plan);
        if ($mail === null || $email === null) {
            return 'This email has not come.';
        }
        $links = $mail->links($this->stage->plan);
        $to = $choice->to === '' ? $links[0] ?? '' : $choice->to;
        if (! in_array($to, $links, true)) {
            return 'There is no such link in this email.';
        }
        if (in_array($to, Links::OF_SESSION, true) && $life->seats === []) {
            $life->page = '';
            $life->tell(HappeningKind::Notice, $email->id, 'They follow '.Links::words($this->stage->plan, $to)
                ." in “{$email->name}”, which "
                .'leads nowhere: they have no session.', ['notice' => 'notHere']);

            return null;
        }
        // What began on this device began for them, before the click begins anything.
        $this->signingUp->joins($life, $life->device, true);
        $life->clicked = $life->now;
        $life->person = $life->person->having(new DoneDeed(Deed::Opened, $email->id, $life->now),
            new DoneDeed(Deed::Clicked, $email->id, $life->now));
        $life->tell(HappeningKind::Clicked, $email->id, 'They follow '.Links::words($this->stage->plan, $to)." in “{$email->name}”.",
            ['to' => $to]);
        $this->following->take($life, new Event(EventType::Clicked, $life->now, email: $email->id));
        $this->lead($life, $to, $email->bySession()?->webinar);

        return null;
    }

    public function unsubscribe(Life $life): ?string
    {
        if (array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'sequence') === []) {
            return 'They have no email to unsubscribe from.';
        }
        $life->person = $life->person->standing(Subscription::Unsubscribed);
        $life->tell(HappeningKind::Unsubscribed, '', 'They unsubscribe.');
        $this->following->take($life, new Event(EventType::Unsubscribed, $life->now));

        return null;
    }

    public function download(Life $life, string $leadMagnet): ?string
    {
        if ($this->stage->plan->leadMagnet($leadMagnet) === null || array_filter($life->of(HappeningKind::FileGiven),
            fn (Happening $h): bool => $h->of === $leadMagnet) === []) {
            return 'They were not given this file.';
        }
        $life->tell(HappeningKind::Downloaded, $leadMagnet, 'They download “'.$this->stage->plan->nameOf($leadMagnet).'”.');
        $this->following->take($life, new Event(EventType::Downloaded, $life->now));

        return null;
    }

    /** Whoever opens what they bought by the link in their receipt is known to be its buyer. */
    private function purchases(Life $life): ?string
    {
        if (array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'receipt') === []) {
            return 'No receipt has come.';
        }
        $life->tell(HappeningKind::Clicked, '', 'They open what they bought, by the link in their receipt.', ['to' => 'purchases']);
        $this->buying->becomeTheirs($life);

        return null;
    }

    private function lead(Life $life, string $to, ?string $webinar): void
    {
        $webinar ??= (string) array_key_first($life->seats);
        match (true) {
            str_starts_with($to, 'page:') => $this->visiting->come($life, substr($to, 5), true),
            $to === 'room' => $this->toRole($life, $webinar, match (Attending::attendee($this->stage, $life, $webinar)?->place()) {
                AttendeePlace::Replay => PageRole::Replay,
                AttendeePlace::Confirmation => PageRole::Confirmation,
                default => PageRole::Room,
            }),
            $to === 'replay' => $this->toRole($life, $webinar, PageRole::Replay),
            $to === 'change' => $this->toRole($life, $webinar, PageRole::Confirmation),
            $to === 'download' => $this->downloads($life),
            $to === 'away' => $life->tell(HappeningKind::Away, '', 'They leave for an address elsewhere.'),
            default => null,
        };
    }

    private function downloads(Life $life): void
    {
        $given = $life->of(HappeningKind::FileGiven);
        $last = end($given);
        if ($last !== false) {
            $this->download($life, $last->of);
        }
    }

    private function toRole(Life $life, string $webinar, PageRole $role): void
    {
        if ($webinar !== '') {
            $life->use($life->browser()->withSeat($webinar));
        }
        $this->visiting->come($life, $this->stage->plan->pageOf($role)->id ?? '', true);
    }
}
