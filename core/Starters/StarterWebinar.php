<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Deadlines\GuardedPage;
use Lantern\Core\Deadlines\LastWarning;
use Lantern\Core\Events\Trigger\EmailClicked;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Events\Trigger\WebinarOutcome;
use Lantern\Core\Events\Trigger\WebinarRegistered;
use Lantern\Core\Parts\Part;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\WebinarRule;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Webinars\AttendanceOutcome;
use Lantern\Core\Webinars\AttendanceThreshold;
use Lantern\Core\Webinars\OfferMoment;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\SessionAnchor;
use Lantern\Core\Webinars\SessionMoment;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/**
 * The webinar of its starter: live on a day next week, or from a recording at the next quarter of an hour; its reminders, the emails
 * afterwards by what became of each person, and the deadline on its offer.
 */
final class StarterWebinar
{
    /** Of the webinar, among the names of what the starters make. */
    public const KEY = 'webinar';

    /** Days until a live one that is proposed. */
    private const AHEAD = 8;

    /** Minutes into it at which the offer is made: in the last third of the hour. */
    private const OFFER = 40;

    public static function webinar(StarterDesk $d, WebinarMode $mode, DateTimeImmutable $now): Webinar
    {
        $zone = $d->sender->timeZone === '' ? 'UTC' : $d->sender->timeZone;
        $day = $now->setTimezone(new DateTimeZone($zone))->modify('+'.self::AHEAD.' days')->format('Y-m-d');
        $title = trim(mb_substr($d->title, 0, 200));

        return new Webinar($d->page(self::KEY), 'Webinar', $title, $mode === WebinarMode::Live
                ? new Schedule(ScheduleKind::Dates, $zone, dates: ["{$day}T18:00"], ahead: 60)
                : new Schedule(ScheduleKind::Soon, $zone, step: 15, offered: 3, ahead: 2), $mode,
            offer: $d->offer('introductory') === '' ? null
                : new OfferMoment($d->offer('introductory'), $mode === WebinarMode::Live ? null : self::OFFER * 60),
            threshold: new AttendanceThreshold(percent: 60), replay: new Replay(delay: 60, days: 3));
    }

    /** @return list<Part> the sequence with its emails, and the deadline */
    public static function parts(StarterDesk $d, Webinar $webinar): array
    {
        $sequence = new SequencePlan($d->id(), 'Reminders and follow-up', new Triggers([new WebinarRegistered($webinar->id)]));
        $live = $webinar->mode === WebinarMode::Live;
        $short = ['title' => mb_substr($d->title, 0, 150)];
        $mail = fn (string $name, string $subject, string $words, ?SessionMoment $at = null, ?string $who = null,
            bool $not = false): EmailPlan => new EmailPlan($d->id(), $name, mb_substr($subject, 0, 200), $d->letter($words),
                $at ?? Delay::atOnce(), $sequence->id,
                $who === null ? Group::everybody() : new Group(true, [new WebinarRule($webinar->id, $who, $not)]));
        $at = fn (SessionAnchor $anchor, int $minutes = 0): SessionMoment => SessionMoment::of($anchor, $minutes, webinar: $webinar->id);
        $offer = $mail('For those who attended', $d->say('How we can go on together'), $d->say('<p>thank you for your time and your '
            .'attention. At the end I spoke about how we can go on together. Here it is in writing:</p><p><a href=":link">See the '
            .'programme</a></p><p>Is there a question left? Hit reply.</p>', ['link' => '{{page_'.$d->page('introductory').'}}']),
            $at(SessionAnchor::AfterEnd, 30), 'attended');
        // Whoever registers for the next quarter of an hour has no day before it.
        $early = [
            $mail('A week before', $d->say('A week from today: :title', $short), $d->say('<p>in a week we see each other: '
                .'{{session_time}}.</p><p>One question until then: what would you like to take home from it? Hit reply and tell me.</p>'),
                $at(SessionAnchor::BeforeStart, 10_080)),
            $mail('A day before', $d->say('Tomorrow: :title', $short), $d->say('<p>tomorrow is the day: {{session_time}}.</p><p><a '
                .'href="{{room_link}}">Your link into the room</a></p><p>It does not suit you any more? <a href="{{change_link}}">Choose '
                .'another time</a>.</p>'), $at(SessionAnchor::BeforeStart, 1440)),
            $mail('An hour before', $d->say('In an hour: :title', $short), $d->say('<p>it begins in an hour. Make yourself a cup of tea, '
                .'and close what you do not need.</p><p><a href="{{room_link}}">Your link into the room</a></p>'),
                $at(SessionAnchor::BeforeStart, 60)),
        ];
        $emails = [
            $mail('Confirmation', $d->say('Your place is kept: :title', $short), $d->say('<p>you are registered for “:title”.</p>'
                .'<p>{{session_time|It begins as soon as you like.}}</p><p><a href="{{room_link}}">Your link into the room</a></p>'
                .'<p><a href="{{calendar_link}}">Put it in your calendar</a></p><p>You cannot come after all? <a href="{{change_link}}">'
                .'Choose another time</a>.</p>', ['title' => $d->titleHtml()])),
            ...($live ? $early : []),
            $mail('Ten minutes before', $d->say('In ten minutes: :title', $short), $d->say('<p>the room is open, and it begins in ten '
                .'minutes.</p><p><a href="{{room_link}}">Your link into the room</a></p>'), $at(SessionAnchor::BeforeStart, 10)),
            $mail('It begins', $live ? $d->say('We are live: :title', $short) : $d->say('It begins now: :title', $short),
                $d->say('<p>it has begun. Come in:</p><p><a href="{{room_link}}">Your link into the room</a></p>'),
                $at(SessionAnchor::Start)),
            $offer,
            $mail('For those who left early', $d->say('You had to go'), $d->say('<p>you were there and had to leave. What came after that '
                .'is in the replay, until {{replay_end}}:</p><p><a href="{{replay_link}}">Watch the replay</a></p>'),
                $at(SessionAnchor::AfterEnd, 60), 'left-early'),
            $mail('For those who missed it', $d->say('You could not come: here is the replay'), $d->say('<p>something came between us. It '
                .'happens. The whole of it is in the replay, until {{replay_end}}:</p><p><a href="{{replay_link}}">Watch the '
                .'replay</a></p>'),
                $at(SessionAnchor::AfterEnd, 60), 'missed'),
            $mail('Before the replay ends', $d->say('Three hours left for the replay'), $d->say('<p>in three hours the replay closes. If '
                .'you want to see it, now is the time:</p><p><a href="{{replay_link}}">Watch the replay</a></p>'),
                $at(SessionAnchor::BeforeReplayEnds, 180), 'attended', true),
        ];

        return [$sequence, ...$emails, ...self::deadline($d, $webinar, $sequence, $offer)];
    }

    /** @return list<Part> the deadline that begins with the offer, and the emails around its end */
    private static function deadline(StarterDesk $d, Webinar $webinar, SequencePlan $sequence, EmailPlan $offer): array
    {
        [$intro, $order, $sales] = [$d->page('introductory'), $d->page('order-introductory'), $d->page('sales')];
        $deadline = new Deadline($d->page(StarterDeadline::KEY), 'Introductory price',
            new Triggers([new WebinarOutcome($webinar->id, AttendanceOutcome::SawOffer), new EmailClicked($offer->id),
                new PageSeen($intro)]),
            Duration::days(3, '20:00'), pages: [new GuardedPage($intro), new GuardedPage($order)], offers: [$d->offer('introductory')],
            warning: new LastWarning(60, $d->say('Within the hour the introductory price is over.')));

        return [$deadline, ...StarterDeadline::emails($d, $deadline->id, $sequence)];
    }
}
