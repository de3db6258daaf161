<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Rendering\Countdown;
use App\Rendering\Marks;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use DateTimeZone;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;

/** A countdown: to the end of a deadline as it runs for this visitor, or to a moment that its owner typed. */
final class CountdownSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $block = $page->document->block($of);
        $constants = $plan->prices($voice) + $plan->fields
            + ['business' => $plan->sender->business, 'host' => $plan->sender->host()];

        return $block === null ? [] : ['block' => $block->toArray(), 'zone' => $plan->sender->timeZone,
            'words' => array_intersect_key($constants, array_flip(MergeFields::names($block->field('text'))))];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::submission(), Need::order()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        if ($noted === []) {
            return '';
        }
        $shape = Shape::of($noted);
        $block = Block::fromShape($shape->group('block'));
        $now = $visit->now;
        $owners = new DateTimeZone($shape->text('zone', 60, 'UTC') ?: 'UTC');
        $id = $block->field('deadline');
        $deadline = $visit->deadlines?->deadline($id);
        $run = $deadline === null ? ($id === '' ? Countdown::typed($block->field('until'), $owners, $now) : null)
            : $visit->states?->runs[$id] ?? null;
        $state = $deadline === null ? $run?->state($now) : $visit->states?->state($id);
        $known = $shape->group('words')->all();
        $text = MergeFields::replace($block->field('text'), function (string $name, string $fallback) use ($known, $visit): string {
            $value = $known[$name] ?? $visit->answer($name);

            return is_string($value) && trim($value) !== '' ? $value : $fallback;
        });
        $key = $run === null ? '' : "{$id}:{$run->endsAt->getTimestamp()}";

        return Countdown::of($block, $visit->voice, $visit->identity->zone ?? $owners, $now, $key, $deadline !== null
            && $deadline->leadsOn)
            ->html($run, $state ?? DeadlineState::NotStarted, '<span class="countdown-words">'.Html::text($text).'</span>',
                (new Marks($block, false))->root(...));
    }
}
