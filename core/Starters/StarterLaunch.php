<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Deadlines\GuardedPage;
use Lantern\Core\Deadlines\LastWarning;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\OpeningTimes;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/**
 * A launch: a programme that opens and closes for everyone at once. Before and after, its closed page gathers a waiting list;
 * the list is told when the doors open, and when they are about to close.
 */
final class StarterLaunch
{
    /** From when to look for a Monday to open on. */
    private const WEEKS_AHEAD = 2;

    /**
     * When it opens and when its doors close, until the owner says otherwise: on a Monday two to three weeks from now at 17:00,
     * and on the Monday after that at 18:00, by the clocks of the zone.
     *
     * @return array{ForEveryone, ForEveryone}
     */
    public static function week(DateTimeImmutable $now, string $zone): array
    {
        $zone = in_array($zone, DateTimeZone::listIdentifiers(), true) ? $zone : 'UTC';
        $day = new DateTimeImmutable($now->setTimezone(new DateTimeZone($zone))->format('Y-m-d'), new DateTimeZone('UTC'));
        $monday = $day->modify('+'.self::WEEKS_AHEAD.' weeks')->modify('next monday');

        return [ForEveryone::of($monday->format('Y-m-d\T17:00'), $zone),
            ForEveryone::of($monday->modify('+1 week')->format('Y-m-d\T18:00'), $zone)];
    }

    public static function times(DateTimeImmutable $now, string $zone): OpeningTimes
    {
        return new OpeningTimes(self::week($now, $zone)[0]);
    }

    /** What stands at every address while the doors are closed: before they open, and after. */
    public static function closed(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow('The doors are closed at the moment'),
                $d->heading("{$d->title}: be the first to know"),
                $d->text('We open for a few days at a time, so that everybody begins together. Leave your address, and you will hear '
                    .'before anyone else when the doors open.'), $d->formBlock()),
            $d->section('learn-cards', $d->heading('What the list is good for'), $d->points([
                ['calendar', 'The moment itself', 'The email comes when the doors open, not a day later.'],
                ['people', 'Company', 'Everybody begins in the same week, and nobody alone.'],
                ['speech', 'A say in it', 'I ask the list what it needs most, and build accordingly.'],
            ])), $d->footer());
    }

    /** @return list<Part> the deadline that closes the doors, and the emails to the list */
    public static function parts(StarterDesk $d, FormPlan $form, ForEveryone $closes): array
    {
        $deadline = new Deadline($d->page(StarterDeadline::KEY), 'The doors close', latest: $closes,
            pages: [new GuardedPage($d->page('sales')), new GuardedPage($d->page('checkout'))], offers: [$d->offer('main')],
            warning: new LastWarning(60, 'Within the hour the doors close.'));
        $list = new SequencePlan($d->id(), 'The launch', new Triggers([new FormFilledIn($form->id)]));
        $sales = '<p><a href="{{page_'.$d->page('sales').'}}">See the programme</a></p>';
        $end = "{{deadline_{$deadline->id}}}";
        $mail = fn (string $name, string $subject, string $words, ?DeadlineMoment $by = null): EmailPlan => new EmailPlan($d->id(), $name,
            mb_substr($subject, 0, 200), "<p>Hello {{first_name|there}},</p>{$words}<p>Warmly,<br>{$d->signed()}</p>", Delay::atOnce(),
            $list->id, by: $by);
        $ends = fn (int $minutes = 0, int $days = 0, ?int $hour = null): DeadlineMoment => DeadlineMoment::of($deadline->id, Edge::End,
            $minutes, $days, $hour);

        return [$deadline, $list,
            $mail('You are on the list', "You are on the list: {$d->title}",
                "<p>you are on the list for “{$d->titleHtml()}”. As soon as "
                .'the doors open, you will read it here first.</p><p>One question until then: what would you most like to get out of '
                .'it? Hit reply and tell me.</p>'),
            $mail('The doors are open', "The doors are open: {$d->title}",
                "<p>“{$d->titleHtml()}” is open. You can come in until {$end}."
                ."</p>{$sales}<p>Take your time with it: nobody is quicker than the clock on the page, and that one is true.</p>",
                $ends(days: -7)),
            $mail('Two days left', 'Two days left', "<p>the doors close on {$end}.</p><img src=\"countdown:{$deadline->id}\" alt=\"\">"
                ."{$sales}<p>If you are in two minds, hit reply and tell me what speaks against it. I answer honestly.</p>",
                $ends(days: -2)),
            $mail('Three hours left', 'Three hours left', "<p>in {{deadline_left_{$deadline->id}}} the doors close, and they stay closed "
                ."for a good while. If it is not for you this time, that is quite all right.</p>{$sales}", $ends(minutes: -180)),
            $mail('The doors are closed', 'The doors are closed', '<p>we have begun, and the doors are closed. You stay on the list, and '
                .'hear first when they open again.</p><p>Tell me, if you like: what would have had to be different for you to come in?'
                .'</p>', $ends(days: 1, hour: 9)),
        ];
    }
}
