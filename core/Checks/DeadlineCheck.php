<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\GuardedPage;
use Lantern\Core\Deadlines\Place;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Events\Trigger\SequenceEntered;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;

/** Whether the deadlines of a funnel are true: they start, they end and close what they say, and no email lies about them. */
final class DeadlineCheck
{
    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(private readonly Plan $plan, private readonly ?DateTimeImmutable $now)
    {
    }

    /**
     * @param  DateTimeImmutable|null  $now  what is over already is told from it; null leaves that out
     * @return list<Finding>
     */
    public static function of(Plan $plan, ?DateTimeImmutable $now = null): array
    {
        $check = new self($plan, $now);
        foreach ($plan->deadlines as $deadline) {
            $check->starts($deadline);
            $check->guards($deadline);
            $check->offers($deadline);
            $check->emailsThatComeTooLate($deadline);
            $check->afterClosing($deadline);
        }
        $check->times();
        $check->countdowns();
        $check->emails();

        return $check->findings;
    }

    private function add(string $code, bool $blocks, string $message, string $open, string $id, string $place = ''): void
    {
        $label = ['page' => 'Open the page', 'email' => 'Open the email', 'way' => 'Choose where they go',
            'deadline' => 'Open the deadline'];
        $this->findings[] = new Finding($code, $blocks, $message, $open, $id, $label[$open] ?? 'Open it', $place);
    }

    private function starts(Deadline $deadline): void
    {
        foreach ($deadline->starts->references() as $id) {
            if ($this->plan->part($id) === null) {
                $this->add('trigger-gone', true, "“{$deadline->name}” waits for something that is gone.", 'deadline', $deadline->id);
            }
        }
        if ($deadline->isPersonal() && $deadline->starts->isEmpty()) {
            $this->add('never-starts', false,
                "Nothing starts “{$deadline->name}”: it runs for those only for whom you start it by hand.",
                'deadline', $deadline->id);
        }
        if ($this->now !== null && $deadline->latest !== null && $this->now >= $deadline->latest->at()) {
            $this->add('deadline-past', false,
                "“{$deadline->name}” has ended on {$this->day($deadline)} already: what it guards would be "
                .'closed from the start.', 'deadline', $deadline->id);
        }
    }

    private function day(Deadline $deadline): string
    {
        return $deadline->latest === null ? '' : (new DateTimeImmutable($deadline->latest->moment))->format('j F Y \a\t H:i');
    }

    private function guards(Deadline $deadline): void
    {
        if ($deadline->pages === [] && $deadline->offers === []) {
            $this->add('guards-nothing', false, "“{$deadline->name}” guards no page and no offer: its end would change nothing.",
                'deadline',
                $deadline->id);
        }
        $over = array_fill_keys(array_map(fn (Deadline $d): string => $d->id, $this->plan->deadlines), DeadlineState::Over);
        foreach ($deadline->pages as $guarded) {
            $page = $this->plan->page($guarded->page);
            if ($page === null) {
                $this->add('guards-gone', false, "“{$deadline->name}” guards a page that is gone.", 'deadline', $deadline->id);

                continue;
            }
            if ($guarded->before !== null && $this->plan->page($guarded->before) === null) {
                $this->add('guards-gone', true, "Before “{$deadline->name}” starts, “{$page->name}” leads to a page that is gone.",
                    'deadline',
                    $deadline->id);
            }
            $way = $this->plan->way($page->id, Outcome::TimeRanOut);
            if ($way === null || ($way->toPage !== null && $this->plan->page($way->toPage) === null)) {
                $this->add('dead-end', true, "“{$page->name}” leads nowhere for those whose time ran out.", 'deadline', $deadline->id);
            } elseif ($this->plan->guards()->page($page->id, $over) == Place::nowhere()) {
                $this->add('deadline-circle', true, "Once the time has run out, “{$page->name}” leads in a circle.", 'deadline',
                    $deadline->id);
            }
            if ($guarded->before !== null && $this->plan->guards()->page($page->id, []) == Place::nowhere()) {
                $this->add('deadline-circle', true, "Before “{$deadline->name}” starts, “{$page->name}” leads in a circle.",
                    'deadline',
                    $deadline->id);
            }
        }
    }

    /** What is sold on a page that closes must close, too; and whoever has not begun must not be better off. */
    private function offers(Deadline $deadline): void
    {
        foreach ($deadline->offers as $id) {
            if ($this->plan->offer($id) === null) {
                $this->add('guards-gone', false, "“{$deadline->name}” guards an offer that is gone.", 'deadline', $deadline->id);
            }
        }
        $guarded = array_map(fn (GuardedPage $g): string => $g->page, $deadline->pages);
        foreach ($this->plan->offers as $offer) {
            $on = array_filter($this->plan->pages, fn (PagePlan $p): bool => in_array($offer->id, $p->document->references(), true));
            $open = array_filter($on, fn (PagePlan $p): bool => ! in_array($p->id, $guarded, true));
            if ($on !== [] && $open === [] && ! $deadline->guardsOffer($offer->id)) {
                $this->add('offer-unguarded', false, "“{$offer->name}” is sold only on pages that “{$deadline->name}” "
                    .'closes, but the '
                    .'offer itself is not guarded: a checkout that was left open would go on selling it.', 'deadline', $deadline->id);
            }
        }
        $bySight = array_filter($guarded, fn (string $page): bool => $deadline->starts->has(new PageSeen($page))) !== [];
        if ($deadline->isPersonal() && $deadline->offers !== [] && $deadline->isOpenBefore() && ! $bySight) {
            $this->add('open-before', false, "Until “{$deadline->name}” has started for them, visitors see its pages as "
                .'usual and can buy: '
                .'also those who clear their cookies when it is over. Lead them to another page before it starts.', 'deadline',
                $deadline->id);
        }
    }

    /** An email that leads to what is closed by the time it goes out. */
    private function emailsThatComeTooLate(Deadline $deadline): void
    {
        if ($deadline->duration === null) {
            return;
        }
        foreach ($this->plan->sequences as $sequence) {
            $together = $deadline->starts->has(new SequenceEntered($sequence->id))
                || array_filter($this->plan->forms, fn ($f): bool => $deadline->starts->has(new FormFilledIn($f->id))
                    && $sequence->starts->has(new FormFilledIn($f->id))) !== [];
            foreach ($together ? $this->plan->emailsOf($sequence->id) : [] as $email) {
                if ($email->delay() !== null && $email->offset() >= $deadline->duration->offset() && $this->leadsTo($email, $deadline)) {
                    $this->add('email-after-end', false, "“{$email->name}” goes out {$email->timingWords()}, when "
                        ."“{$deadline->name}” "
                        ."({$deadline->duration->words()}) is over, and leads to what it closes.", 'email', $email->id);
                }
            }
        }
    }

    private function leadsTo(EmailPlan $email, Deadline $deadline): bool
    {
        return array_filter(EmailBody::pages($email->body), fn (string $p): bool => $deadline->guardedPage($p) !== null) !== [];
    }

    private function times(): void
    {
        $closes = $this->plan->times->closes;
        if ($closes !== null && $this->now !== null && $this->plan->times->hasClosed($this->now)) {
            $this->add('closes-past', true,
                'The moment at which this funnel closes has passed: it would be closed as it goes live.', 'funnel', '');
        }
        if (($closes !== null || $this->plan->times->opens !== null) && $this->plan->pageOf(PageRole::Closed) === null) {
            $this->add('no-closed-page', false, 'While it is closed, this funnel shows a plain word only: it has no closed page.',
                'funnel', '');
        }
    }

    /** What counts on for people who find the funnel closed by then. */
    private function afterClosing(Deadline $deadline): void
    {
        $closes = $this->plan->times->closes;
        if ($closes !== null && ($deadline->latest === null || $deadline->latest->at() > $closes->at())) {
            $this->add('deadline-after-close', false, "“{$deadline->name}” can run on after the funnel closes on "
                .(new DateTimeImmutable($closes->moment))
                    ->format('j F Y \a\t H:i').', and whoever is in it would find it closed. Let it end '
                .'by then at the latest.', 'deadline', $deadline->id);
        }
    }

    /** An email told from a moment for everyone which leads to what is not open yet. */
    private function beforeOpening(EmailPlan $email, Deadline $deadline): void
    {
        $opens = $this->plan->times->opens;
        $run = $opens === null ? null : $deadline->forEveryone($opens->at());
        if ($opens === null || $run === null || $email->byDeadline() === null || ! $this->leadsTo($email, $deadline)) {
            return;
        }
        $due = $email->byDeadline()->at($run, new DateTimeZone($opens->zone));
        if ($due < $opens->at()) {
            $this->add('email-before-open', false, "“{$email->name}” goes out on "
                .$due->setTimezone(new DateTimeZone($opens->zone))->format('j F Y \a\t H:i').', before the funnel opens on '
                .(new DateTimeImmutable($opens->moment))->format('j F Y \a\t H:i').': its links would lead to the closed page.', 'email',
                $email->id);
        }
    }

    private function countdowns(): void
    {
        foreach ($this->plan->pages as $page) {
            foreach ($page->document->blocksOf(BlockKind::Countdown) as $block) {
                $id = $block->field('deadline');
                $guarding = array_filter($this->plan->deadlines, fn (Deadline $d): bool => $d->guardedPage($page->id) !== null);
                if ($id !== '' && $this->plan->deadline($id) === null) {
                    $this->add('countdown-gone', true, "A countdown on “{$page->name}” counts to a deadline that is gone.", 'page',
                        $page->id,
                        $block->id);
                } elseif ($id === '' && $guarding !== []) {
                    $name = $guarding[array_key_first($guarding)]->name;
                    $this->add('countdown-alone', false, "The countdown on “{$page->name}” runs to a moment that you "
                        .'typed, and the page '
                        ."closes with “{$name}”: let it count down to that.", 'page', $page->id, $block->id);
                }
            }
        }
    }

    private function emails(): void
    {
        foreach ($this->plan->emails as $email) {
            $deadline = $email->byDeadline() === null ? null : $this->plan->deadline($email->byDeadline()->deadline);
            if ($email->byDeadline() !== null && $deadline === null) {
                $this->add('by-gone', true, "“{$email->name}” is told from a deadline that is gone, so nobody would get it.", 'email',
                    $email->id);
            }
            if ($email->byDeadline() !== null && $deadline?->duration !== null && $email->byDeadline()->warns()
                && $deadline->duration->offset() + $email->byDeadline()->minutes + $email->byDeadline()->days * 1440 < 0) {
                $this->add('warns-before-start', false, "“{$email->name}” goes out {$email->timingWords()}, and "
                    ."“{$deadline->name}” lasts "
                    ."only {$deadline->duration->words()}: nobody would get it.", 'email', $email->id);
            }
            if ($deadline !== null) {
                $this->beforeOpening($email, $deadline);
            }
            $this->promises($email);
        }
    }

    /** A day that is written out holds for everybody; a deadline of each reader's own does not. */
    private function promises(EmailPlan $email): void
    {
        if ($this->now === null) {
            return;
        }
        $zone = new DateTimeZone($this->plan->sender->timeZone === '' ? 'UTC' : $this->plan->sender->timeZone);
        $text = $email->subject.".\n".strip_tags(str_replace(['</p>', '<br>'], "\n", $email->body));
        $said = array_values(array_filter(DeadlineWords::in($text, $this->now, $zone),
            fn (array $s): bool => preg_match('/\d/', $s['words']) === 1));
        foreach ($said === [] ? [] : $this->plan->deadlines as $deadline) {
            if ($deadline->isPersonal() && $this->leadsTo($email, $deadline)) {
                $this->add('promise-personal', false, "“{$email->name}” says {$said[0]['words']}, but "
                    ."“{$deadline->name}” ends at another moment for each reader. Put in its end as a field.", 'email', $email->id);
            }
        }
    }
}
