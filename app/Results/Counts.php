<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Business;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Days;
use Lantern\Core\Results\Measure;

/**
 * The counts by page, variant, day (in the owner's zone) and measure, kept in step with the events. An event is counted
 * by what was written before it, and by nothing else: so counting as things happen and counting again later come to the
 * same, whatever the clocks said.
 */
final class Counts
{
    /**
     * Counts one event.
     *
     * @param  array<string, mixed>  $event  as a row of the events, with its id
     */
    public function add(Business $business, array $event): void
    {
        if ((bool) $event['owner'] || $event['page_id'] === null || $event['funnel_id'] === null) {
            return;
        }
        $at = new DateTimeImmutable(is_string($event['at']) ? $event['at'] : 'now', new DateTimeZone('UTC'));
        $day = Days::of($at, $business->zone());
        foreach ($this->measured($event, $day, $business) as $measure) {
            $key = ['funnel_id' => $event['funnel_id'], 'page_id' => $event['page_id'], 'variant' => $event['variant'] ?? '', 'day' => $day,
                'measure' => $measure->value];
            DB::table('counts')->upsert($key + ['how_many' => 1, 'how_much' => 0], array_keys($key),
                ['how_many' => DB::raw('counts.how_many + 1')]);
        }
    }

    /**
     * Two people turn out to be one: of their sign-ups to a funnel the first counts, and the other does not any more. To be called
     * before the events of both are one person's.
     */
    public function mergePeople(Business $business, string $one, string $other): void
    {
        $firsts = fn (string $person): Collection => DB::table('events')->where('person_id', $person)->where('owner', false)
            ->where('type', EventType::Joined->value)->whereNotNull('funnel_id')->orderBy('id')->get()
            ->unique('funnel_id')->keyBy('funnel_id');
        $ofOther = $firsts($other);
        foreach ($firsts($one) as $funnel => $event) {
            $twin = $ofOther->get($funnel);
            $later = $twin === null ? null : ($twin->id > $event->id ? $twin : $event);
            if ($later === null || $later->page_id === null) {
                continue;
            }
            $counted = DB::table('counts')->where(['funnel_id' => $funnel, 'page_id' => $later->page_id, 'variant' => $later->variant ?? '',
                'day' => Days::of(new DateTimeImmutable((string) $later->at, new DateTimeZone('UTC')), $business->zone()),
                'measure' => Measure::Signups->value]);
            (clone $counted)->decrement('how_many');
            $counted->where('how_many', '<=', 0)->delete();
        }
    }

    /** Makes the counts of a business anew from its events. */
    public function rebuild(Business $business): void
    {
        DB::transaction(function () use ($business): void {
            DB::table('counts')->whereIn('funnel_id', DB::table('funnels')->where('business_id', $business->id)->select('id'))->delete();
            foreach (DB::table('events')->where('business_id', $business->id)->lazyById(2000) as $event) {
                $this->add($business, (array) $event);
            }
        });
    }

    /**
     * @param  array<string, mixed>  $event
     * @return list<Measure>
     */
    private function measured(array $event, string $day, Business $business): array
    {
        return match ($event['type']) {
            EventType::Viewed->value => $this->view($event, $day, $business),
            EventType::Joined->value => $this->isFirstJoin($event) ? [Measure::Signups] : [],
            EventType::Downloaded->value => [Measure::Downloads],
            EventType::Bought->value => [Measure::Sales],
            default => [],
        };
    }

    /**
     * @param  array<string, mixed>  $event
     * @return list<Measure>
     */
    private function view(array $event, string $day, Business $business): array
    {
        if ($event['visitor'] === null) {
            return [Measure::Views];
        }
        $begins = new CarbonImmutable($day, $business->zone());
        $before = fn (): Builder => DB::table('events')->where('page_id', $event['page_id'])->where('type', EventType::Viewed->value)
            ->where('visitor', $event['visitor'])->where('owner', false)->where('id', '<', $event['id']);
        if ($before()->where('at', '>=', Instant::sql($begins))->where('at', '<', Instant::sql($begins->addDay()->startOfDay()))
            ->exists()) {
            return [Measure::Views];
        }

        return $before()->exists() ? [Measure::Views, Measure::Visitors] : [Measure::Views, Measure::Visitors, Measure::FirstVisitors];
    }

    /** @param  array<string, mixed>  $event */
    private function isFirstJoin(array $event): bool
    {
        return ! DB::table('events')->where('person_id', $event['person_id'])->where('funnel_id', $event['funnel_id'])
            ->where('type', EventType::Joined->value)->where('owner', false)->where('id', '<', $event['id'])->exists();
    }
}
