<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Plan\WaysAround;
use Lantern\Core\Support\Shape;

/** The ways of a draft: all are kept as they were drawn, also those to and from removed pages, and led around these. */
final class DraftWays
{
    /** @return list<WayPlan> around the pages that are removed */
    public static function of(Funnel $funnel): array
    {
        $drawn = self::drawn($funnel);
        $there = $funnel->parts->pluck('id')->flip();
        $isOfRemoved = fn (WayPlan $w): bool => ! $there->has($w->page) || ($w->toPage !== null && ! $there->has($w->toPage));

        return array_filter($drawn, $isOfRemoved) === [] ? $drawn : WaysAround::of($drawn, ...self::pages($funnel));
    }

    /** @return list<WayPlan> also to and from pages that are removed */
    public static function drawn(Funnel $funnel): array
    {
        return array_values($funnel->ways->map(fn (Way $w): WayPlan => $w->to_url === null
            ? WayPlan::toPage($w->page_id, Outcome::from($w->outcome), (string) $w->to_page)
            : WayPlan::outside($w->page_id, Outcome::from($w->outcome), $w->to_url))->all());
    }

    /** Draws a way in place of the one that led from there before. */
    public static function draw(Funnel $funnel, WayPlan $way): void
    {
        DB::transaction(function () use ($funnel, $way): void {
            self::remember($funnel, $way->page, $way->outcome);
            self::write($funnel, $way);
        });
    }

    /** An outcome leads nowhere from now on. */
    public static function end(Funnel $funnel, string $page, Outcome $outcome): void
    {
        DB::transaction(function () use ($funnel, $page, $outcome): void {
            self::remember($funnel, $page, $outcome);
            Way::query()->where('funnel_id', $funnel->id)->where('page_id', $page)->where('outcome', $outcome->value)->delete();
        });
    }

    /** Ways that were drawn anew to just where visitors were led while a page was gone lead to that page again. */
    public static function restore(Funnel $funnel, DraftPart $page): void
    {
        foreach (self::remembered($page) as $way) {
            $drawn = self::drawn($funnel->load('ways'));
            [$pages, $removed] = self::pages($funnel);
            $isThis = fn (WayPlan $w): bool => $w->page === $way->page && $w->outcome === $way->outcome;
            $led = fn (WayPlan ...$ways): ?WayPlan => array_values(array_filter(
                WaysAround::of(array_values($ways), $pages, array_values(array_diff($removed, [$way->page]))), $isThis))[0] ?? null;
            $others = array_filter($drawn, fn (WayPlan $w): bool => ! $isThis($w));
            if ($led(...$drawn)?->toArray() === $led($way, ...$others)?->toArray()) {
                self::write($funnel, $way);
            }
        }
    }

    public static function write(Funnel $funnel, WayPlan ...$ways): void
    {
        foreach ($ways as $way) {
            Way::query()->updateOrCreate(['funnel_id' => $funnel->id, 'page_id' => $way->page, 'outcome' => $way->outcome->value],
                ['to_page' => $way->toPage, 'to_url' => $way->toUrl]);
        }
    }

    /** A way that was drawn to a page that is removed, and is to be drawn anew, is kept with that page. */
    private static function remember(Funnel $funnel, string $page, Outcome $outcome): void
    {
        $was = Way::query()->where('funnel_id', $funnel->id)->where('page_id', $page)->where('outcome', $outcome->value)->first();
        $target = $was === null ? null : DraftPart::query()->where('funnel_id', $funnel->id)->whereNotNull('removed')->find($was->to_page);
        if ($target !== null) {
            $ways = array_map(fn (WayPlan $w): array => $w->toArray(),
                [...self::remembered($target), WayPlan::toPage($page, $outcome, $target->id)]);
            $target->forceFill(['removed' => ['ways' => $ways] + (array) $target->removed])->save();
        }
    }

    /** @return list<WayPlan> */
    private static function remembered(DraftPart $page): array
    {
        $ways = $page->removed['ways'] ?? null;

        return array_map(fn (mixed $w): WayPlan => WayPlan::fromShape(Shape::of($w)), is_array($ways) ? array_values($ways) : []);
    }

    /** @return array{list<PagePlan>, list<string>} all pages in their order, and the ids of those that are removed */
    private static function pages(Funnel $funnel): array
    {
        $rows = DraftPart::query()->where('funnel_id', $funnel->id)->where('kind', PagePlan::kind())->orderBy('position')->orderBy('id')
            ->get();
        $pages = array_map(fn (DraftPart $row): Part => $row->part(), $rows->all());

        return [array_values(array_filter($pages, fn (Part $p): bool => $p instanceof PagePlan)),
            array_values($rows->whereNotNull('removed')->map(fn (DraftPart $row): string => $row->id)->all())];
    }
}
