<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

use DateTimeImmutable;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\HappeningKind;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Option;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Results\Days;
use Lantern\Core\Statistics\Dice;

/**
 * Plays a made-up visitor who decides by the owner's rates, in the rehearsal: each thing is decided once, as the rates count people and not
 * visits. What follows from their choices is the rehearsal's.
 */
final readonly class MadeUpLife
{
    private const MOST_STEPS = 90;

    /** @param  DateTimeImmutable  $begins  of the first day of the forecast, in the owner's zone */
    public function __construct(private Rehearsal $rehearsal, private Rates $rates, private Dice $dice, private DateTimeImmutable $begins,
        private DateTimeImmutable $until)
    {
    }

    /**
     * @param  string  $tag  that they get from elsewhere; '' for somebody who comes to the first page
     * @param  int  $kind  the how-manieth way of coming it is
     */
    public function play(Visitor $visitor, DateTimeImmutable $start, string $tag, int $day, int $kind): PlayedLife
    {
        $played = new PlayedLife($day, $kind);
        $life = $this->rehearsal->begin($visitor, $start);
        $seen = [0, 0, 0];
        $next = $tag === '' ? new Choice(ChoiceKind::Come) : new Choice(ChoiceKind::GetTag, $tag);
        $done = [];
        for ($step = 0; $next !== null && $step < self::MOST_STEPS; $step++) {
            $this->rehearsal->choose($life, $next);
            $seen = $this->note($life, $played, $seen);
            if ($life->now >= $this->until || ($step === 0 && $life->page === '' && $tag === '')) {
                break;
            }
            $next = $this->next($life, $played, $done);
        }
        foreach ($life->instalments as $instalment) {
            $this->comes($played, $instalment['at'], Measured::Money, $instalment['amount']);
        }

        return $played;
    }

    /** @param  array<string, bool>  $done  what was decided, by its key */
    private function next(Life $life, PlayedLife $played, array &$done): ?Choice
    {
        $options = $this->rehearsal->options($life, false);

        return $this->onPage($life, $options, $played, $done) ?? $this->inSession($options, $played, $done)
            ?? $this->inMailbox($life, $options, $played, $done) ?? $this->waits($options);
    }

    /**
     * @param  list<Option>  $options
     * @param  array<string, bool>  $done
     */
    private function onPage(Life $life, array $options, PlayedLife $played, array &$done): ?Choice
    {
        if ($life->page === '') {
            return null;
        }
        $here = [];
        foreach ($options as $option) {
            if ($option->group === 'page') {
                $here[$option->choice->kind->value] ??= $option->choice;
            }
        }
        $wanted = $here[ChoiceKind::Accept->value] ?? $here[ChoiceKind::Buy->value] ?? $here[ChoiceKind::Join->value]
            ?? $here[ChoiceKind::Press->value] ?? null;
        $key = Rates::page($life->page);
        if ($wanted !== null && ! isset($done[$key]) && $this->decide($key, $played, $done)) {
            return $wanted;
        }
        $declines = $here[ChoiceKind::Decline->value] ?? null;
        if ($declines !== null && ! isset($done["no:{$life->page}"])) {
            $done["no:{$life->page}"] = true;

            return $declines;
        }
        // They leave.
        [$life->page, $life->letter] = ['', ''];

        return null;
    }

    /**
     * @param  list<Option>  $options
     * @param  array<string, bool>  $done
     */
    private function inSession(array $options, PlayedLife $played, array &$done): ?Choice
    {
        foreach ($options as $option) {
            $key = Rates::session($option->choice->of);
            if ($option->choice->kind === ChoiceKind::Attend && ! isset($done[$key]) && $this->decide($key, $played, $done)) {
                return $option->choice;
            }
        }

        return null;
    }

    /**
     * @param  list<Option>  $options
     * @param  array<string, bool>  $done
     */
    private function inMailbox(Life $life, array $options, PlayedLife $played, array &$done): ?Choice
    {
        foreach ($options as $option) {
            $choice = $option->choice;
            if ($choice->kind === ChoiceKind::Confirm && ! isset($done[Rates::CONFIRM])
                && $this->decide(Rates::CONFIRM, $played, $done)) {
                return $choice;
            }
            $key = Rates::email($choice->of);
            if ($choice->kind === ChoiceKind::Click && $choice->of !== '' && str_starts_with($choice->to, 'page:') && ! isset($done[$key])
                && $this->decide($key, $played, $done)) {
                return $choice;
            }
            if ($choice->kind === ChoiceKind::Unsubscribe && ! isset($done[Rates::LEAVE.count($life->mails)])) {
                $done[Rates::LEAVE.count($life->mails)] = true;
                $leaves = $this->dice->happens($this->rates->of(Rates::LEAVE)->mean);
                $played->decides(Rates::LEAVE, $leaves);
                if ($leaves) {
                    return $choice;
                }
            }
        }

        return null;
    }

    /** @param  list<Option>  $options */
    private function waits(array $options): ?Choice
    {
        foreach ($options as $option) {
            if ($option->choice->kind === ChoiceKind::Wait && $option->choice->of === '' && $option->choice->minutes === 0) {
                return $option->choice;
            }
        }

        return null;
    }

    /** @param  array<string, bool>  $done */
    private function decide(string $key, PlayedLife $played, array &$done): bool
    {
        $does = $this->dice->happens($this->rates->of($key)->mean);
        $played->decides($key, $does);
        $done[$key] = $does;

        return $does;
    }

    /**
     * What came of the last choice.
     *
     * @param  array{int, int, int}  $seen  how many things, emails and orders were noted before, the money not in it
     * @return array{int, int, int}
     */
    private function note(Life $life, PlayedLife $played, array $seen): array
    {
        [$happened, $mails, $orders] = $seen;
        foreach (array_slice($life->happened, $happened) as $thing) {
            if ($thing->kind === HappeningKind::Joined && ! $played->joined) {
                // Whoever joins twice is one person.
                $played->joined = true;
                $this->comes($played, $thing->at, Measured::Signups, 1);
            } elseif ($thing->kind === HappeningKind::Bought) {
                $this->comes($played, $thing->at, Measured::Money, (int) $thing->text('paid'));
            }
        }
        foreach (array_slice($life->mails, $mails) as $mail) {
            if ($mail->kind === 'sequence') {
                $this->comes($played, $mail->at, Measured::Emails, 1);
            }
        }
        if (count($life->orders) > $orders) {
            $this->comes($played, $life->now, Measured::Sales, count($life->orders) - $orders);
        }

        return [count($life->happened), count($life->mails), count($life->orders)];
    }

    private function comes(PlayedLife $played, DateTimeImmutable $at, Measured $what, int $much): void
    {
        $zone = $this->begins->getTimezone();
        $day = (int) round((new DateTimeImmutable(Days::of($at, $zone).' UTC'))->getTimestamp() / 86400)
            - (int) round((new DateTimeImmutable(Days::of($this->begins, $zone).' UTC'))->getTimestamp() / 86400);
        if ($day >= 0 && $at < $this->until && $much > 0) {
            $played->came[] = [$day, $what, $much];
        }
    }
}
