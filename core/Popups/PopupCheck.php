<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use DateTimeImmutable;
use Generator;

/**
 * Whether a pop-up is shown: the one place where that is decided, for visitors, for the owner's tester and for the rehearsal.
 *
 * Whoever clicks what opens a pop-up has asked for it: for them only those rules hold that say whether there is a pop-up at all.
 * What is placed in a page interrupts nobody: how often it was seen, what was bought and by which email its reader comes plays no
 * part. What its owner asks of the address, the device and the language holds for it as well.
 */
final class PopupCheck
{
    /** The first rule that says no decides; the others are not asked. */
    public static function of(Popup $popup, Situation $situation): PopupVerdict
    {
        foreach (self::refusals($popup, $situation) as $rule => $words) {
            return new PopupVerdict([$rule => $words]);
        }

        return new PopupVerdict([], self::pattern($popup, $situation));
    }

    /** Every rule that says no, for an owner who wants to know why. */
    public static function explained(Popup $popup, Situation $situation): PopupVerdict
    {
        $refusals = [];
        foreach (self::refusals($popup, $situation) as $rule => $words) {
            $refusals[$rule] ??= $words;
        }

        return new PopupVerdict($refusals, $refusals === [] ? self::pattern($popup, $situation) : '');
    }

    private static function pattern(Popup $popup, Situation $situation): string
    {
        return $situation->site === null ? '' : $popup->targeting->site($situation->site)?->fits($situation->address) ?? '';
    }

    /** @return Generator<string, string> */
    private static function refusals(Popup $popup, Situation $at): Generator
    {
        yield from self::moments($popup, $at);
        if ($at->trigger === TriggerKind::Click) {
            if ($popup->trigger(TriggerKind::Click) === null) {
                yield Refusal::Trigger->value => 'A click does not open it.';
            }

            return;
        }
        yield from self::place($popup, $at);
        yield from self::person($popup, $at);
        if (! $popup->isPlaced()) {
            yield from self::kindness($popup, $at);
            yield from self::often($popup, $at);
        }
    }

    /** @return Generator<string, string> */
    private static function moments(Popup $popup, Situation $at): Generator
    {
        $limits = $popup->limits;
        if (! $popup->on) {
            yield Refusal::Off->value => 'It is switched off.';
        }
        if (! $limits->window->hasBegun($at->now, $at->zone)) {
            yield Refusal::NotYet->value => 'It is shown from '.self::moment($limits->window->from).' on.';
        }
        if ($limits->window->isOver($at->now, $at->zone)) {
            yield Refusal::Over->value => 'It was shown until '.self::moment($limits->window->until).'.';
        }
        if (! $limits->hours->holds($at->now, $at->zone)) {
            yield Refusal::Hours->value => "It is shown only {$limits->hours->label()}.";
        }
    }

    /** @return Generator<string, string> */
    private static function place(Popup $popup, Situation $at): Generator
    {
        $places = $popup->targeting;
        if ($at->quiet && ! $popup->isPlaced()) {
            yield Refusal::QuietPage->value => 'No pop-up is ever shown while somebody pays or has just paid.';
        }
        $here = match (true) {
            $at->site !== null => $places->site($at->site)?->fits($at->address) !== null,
            default => ! $popup->isPlaced() && $at->page !== null && $places->hasPage($at->page),
        };
        if (! $here) {
            yield Refusal::Page->value => 'It is not shown on this page.';
        }
        if ($at->trigger !== null && ! $popup->isPlaced() && $popup->trigger($at->trigger) === null) {
            yield Refusal::Trigger->value => 'This is not what opens it.';
        }
        if ($places->device !== 'all' && ($places->device === 'phone') !== $at->phone) {
            yield Refusal::Device->value => $places->device === 'phone' ? 'It is shown on phones only.' : 'It is not shown on phones.';
        }
        if ($places->visitors !== 'all' && ($places->visitors === 'new') !== ($at->visit === 1)) {
            yield Refusal::Visitors->value => $places->visitors === 'new' ? 'It is for those who come for the first time.'
                : 'It is for those who have been here before.';
        }
        if (! $places->hasSource($at->parameters) || ! $places->hasParameter($at->parameters)) {
            yield Refusal::Source->value => 'It is for those who come from elsewhere: the address does not say what it must.';
        }
        if (! $places->hasLanguage($at->languages)) {
            yield Refusal::Language->value => 'It is for browsers in another language.';
        }
    }

    /** @return Generator<string, string> */
    private static function person(Popup $popup, Situation $at): Generator
    {
        if (array_intersect($popup->forms(), array_keys($at->joined)) !== [] || $at->facts(PopupFactType::Joined, $popup->id) !== []) {
            yield Refusal::Joined->value => 'They have what it offers already.';
        }
        if ($at->person !== null && ! $popup->never->isEverybody() && $popup->never->holds($at->person, $at->now)) {
            yield Refusal::Person->value => 'They are among the people who never see it.';
        }
    }

    /** @return Generator<string, string> */
    private static function kindness(Popup $popup, Situation $at): Generator
    {
        if ($at->bought) {
            yield Refusal::Bought->value => 'They have bought something in this funnel.';
        }
        if ($at->isFromEmail()) {
            yield Refusal::FromEmail->value => 'They came by a link in an email from you.';
        }
        if ($at->hasJoinedNow()) {
            yield Refusal::JoinedNow->value => 'They have just joined something.';
        }
    }

    /** @return Generator<string, string> */
    private static function often(Popup $popup, Situation $at): Generator
    {
        $limits = $popup->limits;
        if ($at->visit < $limits->fromVisit) {
            yield Refusal::Visit->value => "It is shown from visit {$limits->fromVisit} on; this is visit {$at->visit}.";
        }
        $closed = $at->latest(PopupFactType::Closed, $popup->id);
        if ($closed !== null && $at->now < $closed->at->modify("+{$limits->afterClosed} days")) {
            yield Refusal::Closed->value => 'They closed it '.self::ago($closed->at, $at->now)
                .", and are left alone for {$limits->afterClosed} days.";
        }
        $shown = $at->facts(PopupFactType::Shown, $popup->id);
        $last = $at->latest(PopupFactType::Shown, $popup->id);
        if ($limits->repeat === 'once' && $last !== null) {
            yield Refusal::Once->value => 'They saw it '.self::ago($last->at, $at->now).', and it is shown once.';
        }
        if ($limits->most > 0 && count($shown) >= $limits->most) {
            yield Refusal::Most->value => "They saw it {$limits->most} times, which is as often as it is shown.";
        }
        $again = $last === null ? null : match ($limits->repeat) {
            'days' => $at->now < $last->at->modify("+{$limits->days} days"),
            'visit' => $at->since === null || $last->at >= $at->since,
            default => false,
        };
        if ($last !== null && $again === true) {
            yield Refusal::Again->value => 'They saw it '.self::ago($last->at, $at->now).'; it is shown again '
                .($limits->repeat === 'visit' ? 'with the next visit.' : "after {$limits->days} days.");
        }
        $any = $at->latest(PopupFactType::Shown);
        if ($any !== null && $at->view !== '' && array_filter($at->facts(PopupFactType::Shown),
            fn (PopupFact $f): bool => $f->view === $at->view) !== []) {
            yield Refusal::SameView->value => 'A pop-up has been shown on this view of the page.';
        }
        if ($any !== null && $at->now < $any->at->modify("+{$limits->apart} minutes")) {
            yield Refusal::Apart->value => 'A pop-up was shown '.self::ago($any->at, $at->now)
                ."; there are {$limits->apart} minutes between two.";
        }
    }

    private static function moment(string $wall): string
    {
        return (new DateTimeImmutable($wall))->format('j F Y, H:i');
    }

    private static function ago(DateTimeImmutable $then, DateTimeImmutable $now): string
    {
        $minutes = intdiv(max(0, $now->getTimestamp() - $then->getTimestamp()), 60);

        return match (true) {
            $minutes < 1 => 'just now',
            $minutes < 120 => $minutes === 1 ? 'a minute ago' : "{$minutes} minutes ago",
            $minutes < 2880 => intdiv($minutes, 60).' hours ago',
            default => intdiv($minutes, 1440).' days ago',
        };
    }
}
