<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Closure;
use DateTimeImmutable;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\OpeningTimes;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Sender;
use Lantern\Core\Plan\Way;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Webinars\WebinarMode;

/**
 * Builds a complete, connected plan for a goal from a private name and a title. The ids are handed in as a
 * function, so that the result depends on nothing but the arguments.
 */
final readonly class Starter
{
    /**
     * @param  Closure(): string  $newId
     * @param  DateTimeImmutable  $now  from which the days of a launch are proposed
     * @param  StarterWords  $words  in the language of the funnel
     */
    public function __construct(private Sender $sender, private Closure $newId, private DateTimeImmutable $now,
        private StarterWords $words = new EnglishWords)
    {
    }

    /**
     * @param  string  $title  of what is given away, waited for, shown or sold
     * @param  LeadMagnet|null  $leadMagnet  what is given away, where the goal has that
     * @param  Money|null  $price  of what is sold; null when it is not known yet
     * @param  string  $currency  in which the funnel sells
     * @param  WebinarMode  $mode  how its webinar is held, where it holds one
     * @param  Money|null  $introductory  what it costs at first, where the goal has two prices; null when it is not known yet
     * @param  bool  $withGuide  is what is given away read in the browser, beside a file or without one?
     * @param  string  $language  in which the application speaks to its visitors
     */
    public function build(Goal $goal, string $name, string $title, string $address, ?LeadMagnet $leadMagnet, ?Money $price = null,
        string $currency = 'EUR', WebinarMode $mode = WebinarMode::Live, ?Money $introductory = null,
        string $language = 'en', bool $withGuide = false): Plan
    {
        if ($goal === Goal::Own) {
            return new Plan(($this->newId)(), $name, $goal, $address, Looks::DEFAULT, new LookChanges, $this->sender, [], [],
                currency: $currency, language: $language);
        }
        $guide = $withGuide && $leadMagnet !== null ? new Guide(($this->newId)(), $leadMagnet->title, $this->words->of('read')) : null;
        $leadMagnet = $guide === null ? $leadMagnet : $leadMagnet->withGuide($guide->id);
        $desk = new StarterDesk($this->sender, $this->newId, $title, $leadMagnet, words: $this->words);
        $sold = StarterOffers::isMadeFor($goal) ? StarterOffers::of($desk, Currency::of($price->currency->code ?? $currency),
            $price, StarterDeadline::isMadeFor($goal), $introductory)
            : null;
        $desk = $desk->withOffers($sold->offers ?? []);
        if ($goal === Goal::Webinar) {
            $desk = $desk->withWebinar(StarterWebinar::webinar($desk, $mode, $this->now));
        }
        $form = $goal === Goal::Sell ? null : StarterForms::of($goal, $desk);
        if ($form !== null) {
            $desk = $desk->withForm($form);
        }
        $pages = [];
        foreach ($this->pages($goal, $desk) as $key => [$role, $pageName, $document]) {
            $pages[] = new PagePlan($desk->page($key), $role, $pageName,
                $pages === [] ? '' : match (true) {
                    str_contains($key, '-') && $role === PageRole::Lesson => str_replace('lesson', $desk->say('video'), $key),
                    str_ends_with($key, 'introductory') => $desk->say($key),
                    default => $desk->say($role->address()),
                }, $document);
        }
        $emailTexts = StarterEmails::of($goal, $desk);
        $sequences = $emailTexts === [] ? []
            : [new SequencePlan($desk->id(), 'Follow-up', new Triggers($form === null ? [] : [new FormFilledIn($form->id)]))];
        $emails = array_map(
            fn (array $e): EmailPlan => new EmailPlan($desk->id(), $e['name'], $e['subject'], $e['body'], $e['delay'],
                $sequences[0]->id ?? ''),
            $emailTexts,
        );

        $offered = array_values(array_filter($emails, fn (EmailPlan $e): bool => $e->name === 'The offer'))[0] ?? null;
        $zone = $this->sender->timeZone;
        $deadline = match (true) {
            $goal === Goal::Launch => StarterLaunch::parts($desk, $form, StarterLaunch::week($this->now, $zone)),
            $desk->webinar !== null => [$desk->webinar, ...StarterWebinar::parts($desk, $desk->webinar)],
            StarterDeadline::isMadeFor($goal) => StarterDeadline::parts($desk, $sequences[0] ?? null, $offered),
            default => [],
        };

        return new Plan($desk->id(), $name, $goal, $address, Looks::DEFAULT, new LookChanges, $this->sender,
            [...$pages, ...($form === null ? [] : [$form]), ...$sequences, ...$emails, ...($leadMagnet === null ? [] : [$leadMagnet]),
                ...($guide === null ? [] : [$guide, ...StarterGuide::pages($desk, $guide)]),
                ...$sold->parts ?? [], ...$deadline, StarterPopup::of($goal, $desk, $form)],
            $this->ways($goal, $desk), currency: $price->currency->code ?? $currency,
            times: $goal === Goal::Launch ? StarterLaunch::times($this->now, $zone) : new OpeningTimes, language: $language);
    }

    /** @return array<string, array{PageRole, string, Document}> by the name that ways and links use */
    private function pages(Goal $goal, StarterDesk $d): array
    {
        $page = fn (PageRole $role): array => [$role, $role->label(), StarterPages::of($role, $d)];

        return match ($goal) {
            Goal::GiveAway => ['opt-in' => $page(PageRole::OptIn), 'thank-you' => $page(PageRole::ThankYou)],
            Goal::LongOptIn => ['opt-in' => [PageRole::OptIn, 'Opt-in page', StarterPages::longOptIn($d)],
                'thank-you' => $page(PageRole::ThankYou)],
            Goal::WaitingList => ['opt-in' => [PageRole::OptIn, 'Opt-in page', StarterPages::waitingList($d)],
                'thank-you' => [PageRole::ThankYou, 'Thank-you page', StarterPages::onTheList($d)]],
            Goal::Own => [],
            Goal::Form => ['form' => $page(PageRole::Form), 'thank-you' => $page(PageRole::ThankYou)],
            Goal::VideoSeries => [
                'opt-in' => [PageRole::OptIn, 'Opt-in page', self::seriesOptIn($d)],
                'lesson-1' => [PageRole::Lesson, 'Video 1', StarterPages::lesson($d, 1, 'lesson-2')],
                'lesson-2' => [PageRole::Lesson, 'Video 2', StarterPages::lesson($d, 2, 'lesson-3')],
                'lesson-3' => [PageRole::Lesson, 'Video 3', StarterPages::lesson($d, 3, 'sales')],
                ...$this->selling($page),
            ],
            Goal::Webinar => [
                'registration' => $page(PageRole::Registration), 'confirmation' => $page(PageRole::Confirmation),
                'room' => $page(PageRole::Room),
                'replay' => $page(PageRole::Replay), ...$this->selling($page, $d),
            ],
            Goal::Sell => $this->selling($page, $d),
            Goal::Launch => [
                ...StarterDeadline::pages($d), ...StarterLaunch::selling($d),
                ...array_diff_key($this->selling($page), ['sales' => 0, 'checkout' => 0, 'closed' => 0]), ...StarterLaunch::list($d),
            ],
        };
    }

    /**
     * @param  callable(PageRole): array{PageRole, string, Document}  $page
     * @param  StarterDesk|null  $introductory  what the pages of the introductory price are written with; null for none
     * @return array<string, array{PageRole, string, Document}>
     */
    private function selling(callable $page, ?StarterDesk $introductory = null): array
    {
        return ['sales' => $page(PageRole::Sales), 'checkout' => $page(PageRole::Checkout),
            ...($introductory === null ? [] : StarterDeadline::pages($introductory)), 'upsell' => $page(PageRole::Upsell),
            'downsell' => $page(PageRole::Downsell), 'delivery' => $page(PageRole::Delivery), 'closed' => $page(PageRole::Closed)];
    }

    /** @return list<Way> */
    private function ways(Goal $goal, StarterDesk $d): array
    {
        $selling = [['sales', Outcome::Chose, 'checkout'], ['sales', Outcome::TimeRanOut, 'closed'],
            ['checkout', Outcome::Bought, 'upsell'], ['upsell', Outcome::Bought, 'delivery'], ['upsell', Outcome::Declined, 'downsell'],
            ['downsell', Outcome::Bought, 'delivery'], ['downsell', Outcome::Declined, 'delivery']];
        $introductory = [['introductory', Outcome::Chose, 'order-introductory'], ['introductory', Outcome::TimeRanOut, 'sales'],
            ['order-introductory', Outcome::Bought, 'upsell'], ['order-introductory', Outcome::TimeRanOut, 'sales']];
        $rows = match ($goal) {
            Goal::GiveAway, Goal::LongOptIn, Goal::WaitingList => [['opt-in', Outcome::Joined, 'thank-you']],
            Goal::Own => [],
            Goal::Form => [['form', Outcome::Joined, 'thank-you']],
            Goal::VideoSeries => [['opt-in', Outcome::Joined, 'lesson-1'], ...$selling],
            Goal::Webinar => [['registration', Outcome::Joined, 'confirmation'], ['confirmation', Outcome::Attended, 'room'],
                ['confirmation', Outcome::Missed, 'replay'],
                ['room', Outcome::Attended, 'introductory'], ['room', Outcome::Missed, 'replay'], ['replay', Outcome::TimeRanOut,
                    'closed'], ...$selling, ...$introductory],
            Goal::Sell => [...$selling, ...$introductory],
            Goal::Launch => [...$introductory, ...$selling, ['checkout', Outcome::TimeRanOut, 'closed'],
                ['closed', Outcome::Joined, 'thank-you']],
        };

        return array_map(fn (array $r): Way => Way::toPage($d->page($r[0]), $r[1], $d->page($r[2])), $rows);
    }

    private static function seriesOptIn(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-form-left', $d->eyebrow($d->say('Three free videos')), $d->heading($d->title),
                $d->text($d->say('Three short videos, one every two days. Each takes a quarter of an hour, and after each you can do '
                    .'something you could not do before.')),
                $d->formBlock()),
            $d->section('agenda-table', $d->heading($d->say('What you will see')), $d->agenda([
                [$d->say('Video :number', ['number' => '1']), $d->say('The first step, and why it comes first'), ''],
                [$d->say('Video :number', ['number' => '2']), $d->say('The method, from beginning to end'), ''],
                [$d->say('Video :number', ['number' => '3']), $d->say('What it looks like in real life'), ''],
            ])),
            $d->footer(),
        );
    }
}
