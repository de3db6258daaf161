<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/** Whether the webinars of a funnel can be held: there is a session to come, something to be seen in it, and a replay that opens. */
final class WebinarCheck
{
    private const BLOCKS = [BlockKind::Sessions, BlockKind::Session, BlockKind::Room, BlockKind::Replay];

    /**
     * @param  DateTimeImmutable|null  $now  sessions are told from it; null leaves them out
     * @return list<Finding>
     */
    public static function of(Plan $plan, ?DateTimeImmutable $now = null): array
    {
        return [...array_merge([], ...array_map(fn (Webinar $w): array => self::ofOne($plan, $w, $now), $plan->webinars)),
            ...self::gone($plan)];
    }

    /** @return list<Finding> what speaks of a webinar that the funnel has not */
    private static function gone(Plan $plan): array
    {
        $findings = [];
        foreach ($plan->forms as $form) {
            if ($form->webinar !== '' && $plan->webinar($form->webinar) === null) {
                $findings[] = new Finding('webinar-gone', false, "“{$form->name}” registers for a webinar that is gone.", 'form',
                    $form->id, 'Open the form');
            }
        }
        foreach ($plan->emails as $email) {
            if ($email->bySession() !== null && $plan->webinar($email->bySession()->webinar) === null) {
                $findings[] = new Finding('webinar-gone', false,
                    "“{$email->name}” is told from a webinar that is gone: it goes to nobody.",
                    'email', $email->id, 'Open the email');
            }
        }
        foreach ($plan->pages as $page) {
            foreach ($page->document->blocks() as $block) {
                if (in_array($block->kind, self::BLOCKS, true) && $plan->webinar($block->field('webinar')) === null) {
                    $findings[] = new Finding('webinar-gone', true, "“{$page->name}” shows a webinar, and none is chosen for it.",
                        'page', $page->id, 'Open the page', $block->id);
                }
            }
        }

        return $findings;
    }

    /** @return list<Webinar> those that a kind of block shows somewhere */
    private static function shown(Plan $plan, BlockKind $kind): array
    {
        $shown = [];
        foreach ($plan->pages as $page) {
            foreach ($page->document->blocksOf($kind) as $block) {
                $shown[] = $plan->webinar($block->field('webinar'));
            }
        }

        return array_values(array_filter($shown));
    }

    /** @return list<Finding> */
    private static function ofOne(Plan $plan, Webinar $webinar, ?DateTimeImmutable $now): array
    {
        $findings = [];
        $find = function (string $code, bool $blocks, string $text) use (&$findings, $webinar): void {
            $findings[] = new Finding($code, $blocks, $text, 'webinar', $webinar->id, 'Open the webinar');
        };
        if ($webinar->title === '') {
            $find('webinar-untitled', true, "“{$webinar->name}” has no title that those who register could read.");
        }
        $registers = array_filter($plan->forms, fn (FormPlan $f): bool => $f->webinar === $webinar->id) !== [];
        if (! $registers) {
            $find('webinar-no-form', false, "No form registers for “{$webinar->name}”: nobody can come.");
        } elseif (! in_array($webinar, self::shown($plan, BlockKind::Room), true)) {
            $find('webinar-no-room', true, "“{$webinar->name}” has no room: no page shows it. Add a webinar room.");
        }
        if ($registers && $webinar->replay !== null && ! in_array($webinar, self::shown($plan, BlockKind::Replay), true)) {
            $find('webinar-no-replay-page', false, "“{$webinar->name}” has a replay, and no page that shows it.");
        }
        if ($webinar->mode === WebinarMode::Automated && $webinar->offer !== null && $webinar->offer->second === null) {
            $find('webinar-offer-never', false, "The offer of “{$webinar->name}” never appears: say at which minute it does.");
        }
        if ($webinar->mode === WebinarMode::Automated && $webinar->video === '') {
            $find('webinar-no-video', true, "“{$webinar->name}” is played from a recording, and has none.");
        }
        if ($webinar->mode === WebinarMode::Live && $webinar->stream === '') {
            $find('webinar-no-stream', false,
                "“{$webinar->name}” is held live, and has no address of a stream: "
                    .($webinar->video === '' ? 'its room would be empty.' : 'its room plays the recording by the clock.'));
        }
        if ($webinar->mode === WebinarMode::Live && $webinar->replay !== null && $webinar->video === '') {
            $find('webinar-no-replay', false,
                "“{$webinar->name}” has a replay, and no recording for it yet. You can add it afterwards.");
        }
        if ($webinar->offer !== null && $plan->offer($webinar->offer->offer) === null) {
            $find('webinar-offer-gone', false, "“{$webinar->name}” shows an offer that is gone: nothing will appear.");
        }
        if ($webinar->offer !== null && $webinar->offer->second !== null
            && $webinar->offer->second >= $webinar->schedule->minutes * 60) {
            $find('webinar-offer-late', false, "“{$webinar->name}” is over before its offer appears.");
        }
        if ($now !== null) {
            self::sessions($webinar, $now, $find);
        }

        return $findings;
    }

    /** @param  callable(string, bool, string): void  $find */
    private static function sessions(Webinar $webinar, DateTimeImmutable $now, callable $find): void
    {
        $zone = $webinar->zone();
        $until = $now->modify("+{$webinar->schedule->ahead} days");
        $next = $webinar->sessions()->between($now, $until, $zone, $now);
        if ($next === []) {
            $find('webinar-no-session', false, "“{$webinar->name}” has no session in the next {$webinar->schedule->ahead} days: "
                .'nobody can register.');
        } elseif ($webinar->replay !== null && $webinar->replay->window($next[0], $zone, $zone) === null) {
            $find('webinar-replay-over', false, "The replay of “{$webinar->name}” is over before it opens.");
        }
    }
}
