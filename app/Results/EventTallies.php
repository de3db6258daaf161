<?php

declare(strict_types=1);

namespace App\Results;

use App\Support\OwnerDays;
use DateTimeZone;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Tally;
use stdClass;

/**
 * What an event adds to the counts. It is counted by what was written before it, and by nothing else: so counting as things happen and
 * counting again later come to the same, whatever the clocks said.
 */
final class EventTallies
{
    /** What leads on from a page is noted on that page. */
    public const LEADS_ON = [EventType::Joined, EventType::Confirmed, EventType::Bought, EventType::Declined];

    /** What is counted as often as it happens. */
    private const EACH = ['asked' => Measure::Asked, 'confirmed' => Measure::Confirmed, 'downloaded' => Measure::Downloads,
        'attended' => Measure::Attended, 'unsubscribed' => Measure::Unsubscribed, 'bought' => Measure::Sales];

    /**
     * @param  stdClass  $e  a row of the events, with its id
     * @return list<Tally>
     */
    public static function of(stdClass $e, DateTimeZone $zone, Earlier $earlier): array
    {
        if ((bool) $e->owner || $e->funnel_id === null) {
            return [];
        }
        $day = OwnerDays::of((string) $e->at, $zone);
        $page = (string) ($e->page_id ?? '');
        $type = EventType::tryFrom((string) $e->type);
        $tallies = match (true) {
            $type === EventType::Viewed && $page !== '' => self::view($e, $page, $day, $zone, $earlier),
            $type === EventType::Pressed && $page !== '' => self::press($e, $page, $day, $zone, $earlier),
            $type === EventType::Read && $page !== '' => [new Tally(Measure::Read, $page, "section:{$e->part}", $day)],
            $type === EventType::Joined => $earlier->isFirstJoin($e) ? self::ofSignup($e, $zone, $earlier) : [],
            isset(self::EACH[$e->type]) => self::inSlices($e, self::EACH[$e->type], $page, $day),
            default => [],
        };

        return $page !== '' && $e->visitor !== null && in_array($type, self::LEADS_ON, true)
            ? [...$tallies, ...self::wentOn($e, $page, (string) $e->type, $day, $zone, $earlier)] : $tallies;
    }

    /** @return list<string> of whom something counts: all, and each axis of them */
    public static function slices(stdClass $of): array
    {
        return ['', "first:{$of->first_touch}", "last:{$of->last_touch}", 'device:'.($of->device === '' ? 'unknown' : $of->device),
            (bool) $of->known ? 'known:known' : 'known:new'];
    }

    /** @return list<Tally> */
    public static function inSlices(stdClass $of, Measure $measure, string $page, string $day, string $currency = '', int $count = 1,
        int $amount = 0): array
    {
        return array_map(fn (string $slice): Tally => new Tally($measure, $page, $slice, $day, '', $currency, $count, $amount),
            self::slices($of));
    }

    /** @return list<Tally> */
    private static function view(stdClass $e, string $page, string $day, DateTimeZone $zone, Earlier $earlier): array
    {
        $tallies = [new Tally(Measure::Views, $page, '', $day)];
        if ($e->visitor === null) {
            return $tallies;
        }

        return [...$tallies, ...self::once($e, Measure::Visitors, $page, $day, $earlier->views($e, $page), $zone),
            ...self::once($e, Measure::Visitors, '', $day, $earlier->views($e, null), $zone),
            ...($e->came_from === null ? [] : self::wentOn($e, (string) $e->came_from, $page, $day, $zone, $earlier))];
    }

    /**
     * @param  string  $way  an outcome, or the id of the page to which they went
     * @return list<Tally> each browser once, by whatever way; and once by this one
     */
    private static function wentOn(stdClass $e, string $from, string $way, string $day, DateTimeZone $zone, Earlier $earlier): array
    {
        $before = [...$earlier->wentOn($e, $from)];
        $tallies = self::once($e, Measure::WentOn, $from, $day, $before, $zone);
        $took = $tallies === [] || $e->took === null ? []
            : self::inSlices($e, Measure::Took, $from, $day, amount: Tally::ofSeconds((int) $e->took));
        $days = [];
        foreach ($before as $row) {
            if ($row->way === $way) {
                $days[OwnerDays::of((string) $row->at, $zone)] = true;
            }
        }

        return [...$tallies, ...$took, ...Tally::once(Measure::WentOn, $from, "to:{$way}", $day,
            array_map(strval(...), array_keys($days)))];
    }

    /**
     * @param  iterable<stdClass>  $before  what was counted of the same browser already
     * @return list<Tally>
     */
    private static function once(stdClass $e, Measure $measure, string $page, string $day, iterable $before, DateTimeZone $zone): array
    {
        $days = [];
        foreach ($before as $row) {
            $on = OwnerDays::of((string) $row->at, $zone);
            foreach (self::slices($row) as $slice) {
                $days[$slice][$on] = true;
            }
        }
        $tallies = [];
        foreach (self::slices($e) as $slice) {
            array_push($tallies, ...Tally::once($measure, $page, $slice, $day, array_map(strval(...), array_keys($days[$slice] ?? []))));
        }

        return $tallies;
    }

    /**
     * The first sign-up of a person to each funnel, which is the one that counts.
     *
     * @return Collection<array-key, stdClass> by funnel
     */
    public static function firstJoins(string $person): Collection
    {
        return DB::table('events')->where('person_id', $person)->where('owner', false)->where('type', EventType::Joined->value)
            ->whereNotNull('funnel_id')->orderBy('id')->get()->unique('funnel_id')->keyBy('funnel_id');
    }

    /** @return list<Tally> what a sign-up counts as: for its page, for what was pressed before it, and for its form itself */
    public static function ofSignup(stdClass $event, DateTimeZone $zone, Earlier $earlier): array
    {
        $day = OwnerDays::of((string) $event->at, $zone);
        $blocks = [(string) $event->part];
        foreach ($earlier->presses($event) as $press) {
            $blocks[] = (string) $press->part;
        }

        return [...self::inSlices($event, Measure::Signups, (string) ($event->page_id ?? ''), $day),
            ...self::ofBlocks($blocks, Measure::Signups, $day)];
    }

    /**
     * What followed pressing some blocks. It counts for the funnel as a whole, as it may come about on another page.
     *
     * @param  list<string>  $blocks  ids; '' is none
     * @return list<Tally>
     */
    public static function ofBlocks(array $blocks, Measure $measure, string $day, string $currency = '', int $amount = 0): array
    {
        return array_values(array_map(fn (string $block): Tally => new Tally($measure, '', "block:{$block}", $day, '', $currency,
            amount: $amount), array_filter(array_unique($blocks), fn (string $b): bool => $b !== '')));
    }

    /** @return list<Tally> */
    private static function press(stdClass $e, string $page, string $day, DateTimeZone $zone, Earlier $earlier): array
    {
        $days = [];
        foreach ($e->visitor === null ? [] : $earlier->presses($e) as $press) {
            if ($press->part === $e->part) {
                $days[] = OwnerDays::of((string) $press->at, $zone);
            }
        }

        return [new Tally(Measure::Clicks, $page, '', $day), new Tally(Measure::Clicks, $page, "block:{$e->part}", $day),
            ...$e->visitor === null ? []
                : Tally::once(Measure::Pressed, $page, "block:{$e->part}", $day, array_values(array_unique($days)))];
    }
}
