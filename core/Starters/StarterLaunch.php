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
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\WallClock;

/**
 * A launch: a programme that opens and closes for everyone at once, at an introductory price in its first days. Before and
 * after, its closed page gathers a waiting list; the list is told when the doors open, and when something is about to end.
 */
final class StarterLaunch
{
    /** The deadline that closes it, among the names of what the starters make. */
    private const DOORS = 'doors';

    /** From when to look for a Monday to open on. */
    private const WEEKS_AHEAD = 2;

    /**
     * When it opens, when its introductory price ends and when its doors close, until the owner says otherwise: on a Monday two
     * to three weeks from now at 17:00, on the Wednesday after it at 18:00, and on the next Monday at 18:00, by the clocks of
     * the zone.
     *
     * @return array{ForEveryone, ForEveryone, ForEveryone}
     */
    public static function week(DateTimeImmutable $now, string $zone): array
    {
        $zone = WallClock::isZone($zone) ? $zone : 'UTC';
        $day = new DateTimeImmutable($now->setTimezone(new DateTimeZone($zone))->format('Y-m-d'), new DateTimeZone('UTC'));
        $monday = $day->modify('+'.self::WEEKS_AHEAD.' weeks')->modify('next monday');

        return [ForEveryone::of($monday->format('Y-m-d\T17:00'), $zone),
            ForEveryone::of($monday->modify('+2 days')->format('Y-m-d\T18:00'), $zone),
            ForEveryone::of($monday->modify('+1 week')->format('Y-m-d\T18:00'), $zone)];
    }

    public static function times(DateTimeImmutable $now, string $zone): OpeningTimes
    {
        return new OpeningTimes(self::week($now, $zone)[0]);
    }

    /** @return array<string, array{PageRole, string, Document}> by the name that ways and links use, likewise below */
    public static function selling(StarterDesk $d): array
    {
        $until = ['main', $d->say('The doors close on'), self::DOORS];

        return ['sales' => [PageRole::Sales, 'Sales page', StarterSales::sales($d, ...$until)],
            'checkout' => [PageRole::Checkout, 'Checkout page', StarterSales::checkout($d, ...$until)]];
    }

    /** @return array<string, array{PageRole, string, Document}> */
    public static function list(StarterDesk $d): array
    {
        return ['closed' => [PageRole::Closed, 'Closed page', self::closed($d)],
            'thank-you' => [PageRole::ThankYou, 'Thank-you page', StarterPages::onTheList($d)]];
    }

    /** What stands at every address while the doors are closed: before they open, and after. */
    private static function closed(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow($d->say('The doors are closed at the moment')),
                $d->heading($d->say(':title: be the first to know', ['title' => $d->title])),
                $d->text($d->say('We open for a few days at a time, so that everybody begins together. Leave your address, and you will '
                    .'hear before anyone else when the doors open.')), $d->formBlock()),
            $d->section('learn-cards', $d->heading($d->say('What the list is good for')), $d->points([
                ['calendar', $d->say('The moment itself'), $d->say('The email comes when the doors open, not a day later.')],
                ['people', $d->say('Company'), $d->say('Everybody begins in the same week, and nobody alone.')],
                ['speech', $d->say('A say in it'), $d->say('I ask the list what it needs most, and build accordingly.')],
            ])), $d->footer());
    }

    /**
     * @param  array{ForEveryone, ForEveryone, ForEveryone}  $week  as {@see self::week()} has it
     * @return list<Part> the deadlines that end the introductory price and close the doors, and the emails to the list
     */
    public static function parts(StarterDesk $d, FormPlan $form, array $week): array
    {
        $intro = new Deadline($d->page(StarterDeadline::KEY), 'Introductory price', latest: $week[1],
            pages: [new GuardedPage($d->page('introductory')), new GuardedPage($d->page('order-introductory'))],
            offers: [$d->offer('introductory')], warning: new LastWarning(60, $d->say('Within the hour the introductory price is over.')));
        $deadline = new Deadline($d->page(self::DOORS), 'The doors close', latest: $week[2],
            pages: [new GuardedPage($d->page('sales')), new GuardedPage($d->page('checkout'))], offers: [$d->offer('main')],
            warning: new LastWarning(60, $d->say('Within the hour the doors close.')));
        $list = new SequencePlan($d->id(), 'The launch', new Triggers([new FormFilledIn($form->id)]));
        $values = ['title' => $d->titleHtml(), 'introduction' => "{{page_{$d->page('introductory')}}}",
            'link' => "{{page_{$d->page('sales')}}}",
            'end' => "{{deadline_{$deadline->id}}}", 'left' => "{{deadline_left_{$deadline->id}}}",
            'priceEnd' => "{{deadline_{$intro->id}}}", 'priceLeft' => "{{deadline_left_{$intro->id}}}",
            'countdown' => "<img src=\"countdown:{$deadline->id}\" alt=\"\">",
            'priceCountdown' => "<img src=\"countdown:{$intro->id}\" alt=\"\">"];
        $mail = fn (string $name, string $subject, string $words, ?DeadlineMoment $by = null): EmailPlan => new EmailPlan($d->id(), $name,
            mb_substr($subject, 0, 200), $d->letter($words), $by ?? Delay::atOnce(), $list->id);
        $ends = fn (int $minutes = 0, int $days = 0, ?int $hour = null, ?Deadline $of = null): DeadlineMoment => DeadlineMoment::of(
            ($of ?? $deadline)->id, Edge::End, $minutes, $days, $hour);

        return [$intro, $deadline, $list,
            $mail('You are on the list', $d->say('You are on the list: :title', ['title' => $d->title]),
                $d->say('<p>you are on the list for “:title”. As soon as the doors open, you will read it here first.</p><p>One '
                    .'question until then: what would you most like to get out of it? Hit reply and tell me.</p>', $values)),
            $mail('The doors are open', $d->say('The doors are open: :title', ['title' => $d->title]),
                $d->say('<p>“:title” is open. You can come in until :end, and at the introductory price until :priceEnd.</p>'
                    .'<p><a href=":introduction">See the programme</a></p><p>Take your time with it: the clock on the page is true, and '
                    .'there is no hurry before it runs out.</p>', $values), $ends(days: -7)),
            $mail('The introductory price ends', $d->say('The introductory price ends in three hours'),
                $d->say('<p>in :priceLeft the introductory price is over. The doors stay open until :end, at the regular price.</p>'
                    .':priceCountdown<p><a href=":introduction">See the programme</a></p>', $values), $ends(minutes: -180, of: $intro)),
            $mail('Two days left', $d->say('Two days left'), $d->say('<p>the doors close on :end.</p>:countdown<p><a href=":link">See the '
                .'programme</a></p><p>If you are in two minds, hit reply and tell me what speaks against it. I answer honestly.</p>',
                $values), $ends(days: -2)),
            $mail('Three hours left', $d->say('Three hours left'), $d->say('<p>in :left the doors close, and they stay closed for a good '
                .'while. If it is not for you this time, that is quite all right.</p><p><a href=":link">See the programme</a></p>',
                $values), $ends(minutes: -180)),
            $mail('The doors are closed', $d->say('The doors are closed'),
                $d->say('<p>we have begun, and the doors are closed. You stay on '
                .'the list, and hear first when they open again.</p><p>Tell me, if you like: what would have had to be different for you '
                .'to come in?</p>'), $ends(days: 1, hour: 9)),
        ];
    }
}
