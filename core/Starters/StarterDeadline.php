<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Deadlines\GuardedPage;
use Lantern\Core\Deadlines\LastWarning;
use Lantern\Core\Events\Trigger\EmailClicked;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/**
 * The introductory price of the starters that sell: a sales page and a checkout of its own, a deadline of each person's own
 * that closes them, and the emails around its end. After it comes the regular price.
 */
final class StarterDeadline
{
    /** Of the deadline, among the names of what the starters make. */
    public const KEY = 'deadline';

    /** Does it come with an introductory price? */
    public static function isMadeFor(Goal $goal): bool
    {
        return $goal === Goal::Sell || $goal === Goal::Webinar || $goal === Goal::Launch;
    }

    /** @return array<string, array{PageRole, string, Document}> by the name that ways and links use */
    public static function pages(StarterDesk $d): array
    {
        $until = ['introductory', $d->say('Your introductory price holds until'), self::KEY];

        return ['introductory' => [PageRole::Sales, 'Sales page, introductory', StarterSales::sales($d, ...$until)],
            'order-introductory' => [PageRole::Checkout, 'Checkout page, introductory', StarterSales::checkout($d, ...$until)]];
    }

    /**
     * @param  SequencePlan|null  $followUp  the sequence of the funnel; null where it has none
     * @param  EmailPlan|null  $offer  its email that makes the offer
     * @return list<Part>
     */
    public static function parts(StarterDesk $d, ?SequencePlan $followUp, ?EmailPlan $offer): array
    {
        $parts = [];
        if ($followUp === null || $offer === null) {
            $followUp = new SequencePlan($d->id(), 'The offer', new Triggers([new TagAdded(mb_substr('Interested in '.$d->title, 0, 60))]));
            $offer = new EmailPlan($d->id(), 'The introductory price', mb_substr($d->say('For you: :title', ['title' => $d->title]), 0,
                200),
                $d->letter($d->say('<p>you have shown an interest in “:title”. For three days from when you look, it is yours at the '
                    .'introductory price:</p><p><a href=":link">See the programme</a></p><p>Take a look when you have a quiet quarter of '
                    .'an hour: your three days begin then.</p>', ['title' => $d->titleHtml(),
                        'link' => "{{page_{$d->page('introductory')}}}"])), Delay::atOnce(), $followUp->id);
            array_push($parts, $followUp, $offer);
        }
        [$intro, $order, $sales] = [$d->page('introductory'), $d->page('order-introductory'), $d->page('sales')];
        $deadline = new Deadline($d->page(self::KEY), 'Introductory price', new Triggers([new EmailClicked($offer->id)]),
            Duration::days(3, '20:00'), pages: [new GuardedPage($intro, $sales), new GuardedPage($order, $sales)],
            offers: [$d->offer('introductory')], warning: new LastWarning(60, $d->say('Within the hour the introductory price is over.')));

        return [...$parts, $deadline, ...self::emails($d, $deadline->id, $followUp)];
    }

    /** @return list<EmailPlan> around the end of the introductory price */
    public static function emails(StarterDesk $d, string $deadline, SequencePlan $sequence): array
    {
        [$intro, $sales] = [$d->page('introductory'), $d->page('sales')];
        $ends = fn (int $minutes = 0, int $days = 0, ?int $hour = null): DeadlineMoment => DeadlineMoment::of($deadline, Edge::End,
            $minutes, $days, $hour);
        $to = fn (string $page): array => ['link' => "{{page_{$page}}}", 'end' => "{{deadline_{$deadline}}}",
            'left' => "{{deadline_left_{$deadline}}}", 'countdown' => "<img src=\"countdown:{$deadline}\" alt=\"\">"];
        $mail = fn (string $name, string $subject, string $words, DeadlineMoment $by): EmailPlan => new EmailPlan($d->id(), $name, $subject,
            $d->letter($words), $by, $sequence->id);

        return [
            $mail('One day left', $d->say('One day left'), $d->say('<p>your introductory price ends on :end.</p>:countdown'
                .'<p><a href=":link">See the programme</a></p><p>If you are in two minds, hit reply and tell me what speaks against it. I '
                .'answer honestly.</p>', $to($intro)), $ends(days: -1)),
            $mail('Three hours left', $d->say('Three hours left'), $d->say('<p>in :left the introductory price is over. If you would '
                .'rather not, that is quite all right; this is only so that you do not miss it unawares.</p>'
                .'<p><a href=":link">See the programme</a></p>', $to($intro)), $ends(minutes: -180)),
            $mail('The regular price', $d->say('The door stays open'), $d->say('<p>the introductory price is over. The programme itself '
                .'is not: it is open to you at the regular price, whenever the time is right.</p><p><a href=":link">See the programme</a>'
                .'</p>', $to($sales)), $ends(days: 1, hour: 9)),
        ];
    }
}
