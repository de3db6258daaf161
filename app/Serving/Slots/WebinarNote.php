<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Facts\Need;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/** What a published page notes of a webinar, for the blocks that show it: the webinar itself, and where they lead. */
final class WebinarNote
{
    /** @var array{array<string, mixed>, Webinar|null}|null what was read last */
    private static ?array $last = null;

    /** @return array<string, mixed> nothing where the webinar is gone */
    public static function of(string $webinar, ?Block $block, Plan $plan, PagePlan $page): array
    {
        $found = $plan->webinar($webinar);
        if ($found === null) {
            return [];
        }
        $outcome = function (Outcome $outcome) use ($plan, $page): string {
            $way = (new Journey($plan))->way($page->id, $outcome);

            return $way->toUrl ?? ($way === null ? '' : 'page:'.($plan->page((string) $way->toPage)->address ?? ''));
        };

        return ['webinar' => $found->toArray(), 'zone' => $plan->sender->timeZone,
            'text' => $block?->field('text') ?? '', 'over' => $block?->field('over') ?? '',
            'attended' => $outcome(Outcome::Attended), 'missed' => $outcome(Outcome::Missed),
            'registration' => self::address($plan, PageRole::Registration), 'room' => self::address($plan, PageRole::Room),
            'replay' => self::address($plan, PageRole::Replay), 'confirmation' => self::address($plan, PageRole::Confirmation)];
    }

    /** @param  array<string, mixed>  $noted */
    public static function webinar(array $noted): ?Webinar
    {
        // A slot asks for it twice: when it says what it needs, and when it is filled.
        if (self::$last === null || self::$last[0] !== $noted) {
            $group = Shape::of($noted)->optionalGroup('webinar');
            self::$last = [$noted, $group === null ? null : Webinar::fromShape($group)];
        }

        return self::$last[1];
    }

    /** @return list<Need> its recording, and the captions of it */
    public static function uploads(Webinar $webinar): array
    {
        $there = array_filter([$webinar->video, $webinar->captions], fn (string $id): bool => $id !== '');

        return array_map(Need::upload(...), array_values($there));
    }

    /** @param  array<string, mixed>  $noted */
    public static function text(array $noted, string $key): string
    {
        return is_string($noted[$key] ?? null) ? $noted[$key] : '';
    }

    /** @return string|null the address of the first page of a role, as it is below its funnel's */
    private static function address(Plan $plan, PageRole $role): ?string
    {
        foreach ($plan->pages as $page) {
            if ($page->role === $role) {
                return $page->address;
            }
        }

        return null;
    }

    /** The form on a page that registers for a webinar, if one does. */
    public static function formBlock(Plan $plan, PagePlan $page, string $webinar): ?Block
    {
        foreach ($page->document->blocksOf(BlockKind::Form) as $block) {
            if ($plan->form($block->field('form'))?->webinar === $webinar) {
                return $block;
            }
        }

        return null;
    }
}
