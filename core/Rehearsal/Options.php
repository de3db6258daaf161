<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\People\Subscription;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupCheck;
use Lantern\Core\Popups\Situation;
use Lantern\Core\Popups\Visits;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Support\Validity;
use Lantern\Core\Webinars\SessionChoice;

/** What somebody can do next where a rehearsal has come to. */
final readonly class Options
{
    /** Minutes for which somebody waits before they have to decide anew: an hour, a day, three days, a week. */
    private const WAITS = [60, 1440, 4320, 10080];

    private ChoiceWords $words;

    /** @param  bool  $worded  is it said what each is, for somebody who reads it? */
    public function __construct(private Stage $stage, private Passing $passing, private bool $worded = true)
    {
        $this->words = new ChoiceWords($stage);
    }

    /** @return list<Option> */
    public function of(Life $life): array
    {
        $entry = $life->page === '' && $life->happened === [] ? $this->stage->plan->entry() : null;
        $comes = $entry === null ? [] : [$this->option($life, 'page', new Choice(ChoiceKind::Come, $entry->id))];

        return [...$comes, ...$this->onPage($life), ...$this->popups($life), ...$this->mailbox($life), ...$this->sessions($life), ...$this
            ->inTime($life),
            ...array_map(fn (PagePlan $p): Option => $this->option($life, 'address', new Choice(ChoiceKind::Come, $p->id)),
                array_values(array_filter($this->stage->plan->pages, fn (PagePlan $p): bool => $p->role !== PageRole::Closed)))];
    }

    /**
     * @param  list<array{id: string, name: string}>  $bumps
     * @param  list<array{key: string, at: string}>  $sessions
     */
    private function option(Life $life, string $group, Choice $choice, array $bumps = [], array $sessions = []): Option
    {
        return new Option($choice, $this->worded ? $this->words->of($life, $choice) : '', $group, $bumps, $sessions);
    }

    /** @return list<Option> */
    private function onPage(Life $life): array
    {
        $plan = $this->stage->plan;
        $page = $plan->pageAs($life->page, $life->letter) ?? $plan->page($life->page);
        if ($page === null) {
            return [];
        }
        $options = [];
        foreach ($page->document->blocksOf(BlockKind::Form) as $block) {
            $options[] = $this->form($life, $block->field('form'));
        }
        $offer = $plan->offerOn($page);
        if ($offer !== null && $page->role->isExtraOffer()) {
            $options[] = $this->option($life, 'page', Presses::ofExtra($plan, $life->browser()->extra));
            $options[] = $this->option($life, 'page', new Choice(ChoiceKind::Decline));
        } elseif ($offer !== null && $life->browser()->openSince !== null) {
            $options[] = $this->option($life, 'page', new Choice(ChoiceKind::Buy),
                array_map(fn (OrderBump $b): array => ['id' => $b->offer, 'name' => $plan->nameOf($b->offer)], $offer->bumps));
            $options[] = $this->option($life, 'page', new Choice(ChoiceKind::CardRefused));
        }
        if ($plan->guide($page->id) !== null) {
            $options[] = $this->option($life, 'page', new Choice(ChoiceKind::Read, $page->id));
            $first = $plan->pagesOf($page->id)[0] ?? null;
            $options[] = $first === null ? null : $this->option($life, 'page', new Choice(ChoiceKind::Read, $page->id, $first->id));
        }
        $given = array_map(fn (Happening $h): string => $h->of, $life->of(HappeningKind::FileGiven));
        foreach ($page->document->blocksOf(BlockKind::Download) as $block) {
            $options[] = in_array($block->field('leadMagnet'), $given, true)
                ? $this->option($life, 'page', new Choice(ChoiceKind::Download, $block->field('leadMagnet'))) : null;
        }

        return array_values(array_filter([...$options, ...$this->links($life, $page)], fn (?Option $o): bool => $o !== null));
    }

    private function form(Life $life, string $id, string $popup = ''): ?Option
    {
        $form = $this->stage->plan->form($id);

        return $form === null ? null : $this->option($life, $popup === '' ? 'page' : 'popup', new Choice(ChoiceKind::Join, $form->id,
            popup: $popup), sessions: $this->offered($life, $form));
    }

    /** @return list<array{key: string, at: string}> */
    private function offered(Life $life, FormPlan $form): array
    {
        $webinar = $form->webinar === '' ? null : $this->stage->plan->webinar($form->webinar);

        return $webinar === null ? [] : array_map(fn (SessionChoice $c): array => ['key' => $c->session->key,
            'at' => Moments::written($c->session->startsAt)], $webinar->sessions()->offered($life->now, $life->visitor->zone()));
    }

    /** @return list<Option> */
    private function links(Life $life, PagePlan $page): array
    {
        $options = [];
        foreach (Links::ofPage($this->stage->plan, $page) as $link) {
            $outcome = str_starts_with($link, 'outcome:') ? Outcome::tryFrom(substr($link, 8)) : null;
            $says = $outcome === Outcome::Declined && $page->role->isExtraOffer();
            if (! $says && ($outcome === null || $this->stage->plan->way($page->id, $outcome) !== null)) {
                $options[] = $this->option($life, 'page', new Choice(ChoiceKind::Press, to: $link));
            }
        }

        return $options;
    }

    /** @return list<Option> pop-ups that would be shown to them here */
    private function popups(Life $life): array
    {
        $options = [];
        foreach ($life->page === '' ? [] : $this->stage->plan->popups as $popup) {
            if (! $popup->isPlaced() && self::isShown($this->stage, $life, $popup)) {
                $options[] = $this->option($life, 'popup', new Choice(ChoiceKind::ClosePopup, $popup->id));
                foreach ($popup->forms() as $form) {
                    $options[] = $this->form($life, $form, $popup->id);
                }
            }
        }

        return array_values(array_filter($options));
    }

    public static function isShown(Stage $stage, Life $life, Popup $popup): bool
    {
        $page = $stage->plan->page($life->page);
        $browser = $life->browser();
        $isOpen = $browser->shown !== null && Validity::since($browser->shown, Visits::OPEN, $life->now);
        $here = $life->isKnownHere();
        if ($page === null || ! $isOpen || ! $stage->asksForPopups($page, $life->now)) {
            return false;
        }

        return PopupCheck::of($popup, new Situation($life->now, $stage->ownerZone, $page->id, $page->role->isQuiet(),
            phone: $life->visitor->phone, parameters: $life->visitor->parameters, languages: [$life->visitor->language],
            visit: max(1, $browser->visit), since: $browser->since, view: $life->view(), facts: $life->popupFacts(),
            joined: $here ? $life->joined : [], clicked: $here ? $life->clicked : null, bought: $life->hasBoughtHere(),
            person: $here ? Following::known($life) : null))
            ->shows();
    }

    /** @return list<Option> */
    private function mailbox(Life $life): array
    {
        $options = $life->asked === [] ? [] : [$this->option($life, 'mailbox', new Choice(ChoiceKind::Confirm))];
        $seen = [];
        foreach (array_reverse($life->mails) as $mail) {
            foreach (isset($seen[$mail->of]) ? [] : $mail->links($this->stage->plan) as $link) {
                $options[] = $this->option($life, 'mailbox', new Choice(ChoiceKind::Click, $mail->of, $link));
            }
            $seen[$mail->of] = true;
        }
        if (array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'receipt') !== []) {
            $options[] = $this->option($life, 'mailbox', new Choice(ChoiceKind::Click, '', 'purchases'));
        }
        if ($life->person->subscription !== Subscription::Unsubscribed
            && array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'sequence') !== []) {
            $options[] = $this->option($life, 'mailbox', new Choice(ChoiceKind::Unsubscribe));
        }

        return $options;
    }

    /** @return list<Option> */
    private function sessions(Life $life): array
    {
        $options = [];
        foreach ($life->seats as $id => $seat) {
            $attendee = Attending::attendee($this->stage, $life, (string) $id);
            $minutes = intdiv($attendee->room->length ?? 0, 60);
            $offer = $attendee?->room->offerAt();
            $registered = $life->person->registrations()[$id] ?? null;
            $over = $attendee !== null && $registered !== null && ! $registered->session->isOnDemand()
                && $life->now->getTimestamp() - $registered->session->startsAt->getTimestamp() >= $attendee->room->length;
            if ($attendee !== null && $seat->open && ! $over) {
                // To the end, until just after the offer, and only for a look.
                $stays = array_unique(array_filter([$minutes, $offer === null ? 0 : intdiv($offer, 60) + 2, max(1, intdiv($minutes, 6))]));
                foreach ($stays as $stay) {
                    $options[] = $this->option($life, 'session', new Choice(ChoiceKind::Attend, (string) $id, minutes: $stay));
                }
            } elseif ($attendee !== null && ! $seat->open && $this->stage->plan->pageOf(PageRole::Replay) !== null
                && $attendee->room->webinar->replay !== null) {
                $options[] = $this->option($life, 'session', new Choice(ChoiceKind::WatchReplay, (string) $id, minutes: $minutes));
            }
        }

        return $options;
    }

    /** @return list<Option> */
    private function inTime(Life $life): array
    {
        $options = $this->passing->nextMoment($life) === null ? [] : [$this->option($life, 'time', new Choice(ChoiceKind::Wait))];
        foreach ($life->runs() as $id => $run) {
            if ($run->state($life->now) === DeadlineState::Running && $run->left($life->now) > 120) {
                $options[] = $this->option($life, 'time', new Choice(ChoiceKind::Wait, (string) $id, minutes: 1));
            }
        }
        foreach (self::WAITS as $minutes) {
            $options[] = $this->option($life, 'time', new Choice(ChoiceKind::Wait, minutes: $minutes));
        }

        $options[] = $this->option($life, 'device', new Choice(ChoiceKind::OtherDevice));

        return [...$options, ...array_map(fn (string $tag): Option => $this->option($life, 'device', new Choice(ChoiceKind::GetTag, $tag)),
            $this->tags($life))];
    }

    /** @return list<string> tags that the funnel waits for and they have not */
    private function tags(Life $life): array
    {
        $tags = [];
        foreach ($this->stage->plan->sequences as $sequence) {
            array_push($tags, ...self::tagsOf($sequence->starts), ...self::tagsOf($sequence->ends));
        }
        foreach ($this->stage->plan->deadlines as $deadline) {
            array_push($tags, ...self::tagsOf($deadline->starts));
        }

        return array_values(array_filter(array_unique($tags), fn (string $t): bool => ! $life->person->hasTag($t)));
    }

    /** @return list<string> */
    private static function tagsOf(Triggers $triggers): array
    {
        $tags = [];
        foreach ($triggers->list as $trigger) {
            if ($trigger instanceof TagAdded) {
                $tags[] = $trigger->tag;
            }
        }

        return $tags;
    }
}
