<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Business;
use App\Models\Person;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\EventType;
use Lantern\Core\Results\Days;

/** Appends what happened to the events and keeps the daily counts in step, in one transaction. */
final class Recorder
{
    public const AT = 'Y-m-d H:i:s.u';

    /** What only a person does, and no mail program by itself. */
    private const ACTIVE = [EventType::Viewed, EventType::Asked, EventType::Confirmed, EventType::Joined, EventType::Downloaded, EventType::Bought, EventType::Clicked];

    /** @param  array<string, mixed>  $data */
    public function record(
        EventType $type,
        Business $business,
        ?string $funnel,
        ?string $page,
        DateTimeImmutable $at,
        ?string $version = null,
        ?string $visitor = null,
        ?string $person = null,
        ?string $source = null,
        bool $owner = false,
        array $data = [],
    ): void {
        DB::transaction(function () use ($type, $business, $funnel, $page, $at, $version, $visitor, $person, $source, $owner, $data): void {
            $event = [
                'business_id' => $business->id, 'type' => $type->value, 'funnel_id' => $funnel, 'page_id' => $page,
                'version_id' => $version, 'visitor' => $visitor, 'person_id' => $person, 'source' => $source,
                'owner' => $owner, 'data' => $data === [] ? null : json_encode($data, JSON_THROW_ON_ERROR),
                'at' => CarbonImmutable::instance($at)->utc()->format(self::AT),
            ];
            $this->count($business, $event);
            DB::table('events')->insert($event);
            if ($person !== null && in_array($type, self::ACTIVE, true)) {
                DB::table('people')->where('id', $person)->where(fn ($q) => $q->whereNull('active_at')->orWhere('active_at', '<', Instant::sql($at)))->update(['active_at' => Instant::sql($at)]);
            }
        });
    }

    /**
     * Something of a person alone, such as a tag.
     *
     * @param  array<string, mixed>  $data
     */
    public function note(EventType $type, Person $person, DateTimeImmutable $at, ?string $funnel = null, array $data = []): void
    {
        $this->record($type, $person->business, $funnel, null, $at, person: $person->id, data: $data);
    }

    /** Makes the daily counts of a business anew from its events. */
    public function rebuild(Business $business): void
    {
        DB::transaction(function () use ($business): void {
            DB::table('daily_counts')->whereIn('funnel_id', DB::table('funnels')->where('business_id', $business->id)->select('id'))->delete();
            foreach (DB::table('events')->where('business_id', $business->id)->orderBy('at')->orderBy('id')->lazy(2000) as $event) {
                $this->count($business, (array) $event);
            }
        });
    }

    /**
     * Adds one event to the counts. It looks only at events before this one, so that adding as things happen and
     * rebuilding later come to the same.
     *
     * @param  array<string, mixed>  $event  as a row of the events
     */
    private function count(Business $business, array $event): void
    {
        if ((bool) $event['owner'] || $event['page_id'] === null) {
            return;
        }
        $at = new DateTimeImmutable(is_string($event['at']) ? $event['at'] : 'now', new \DateTimeZone('UTC'));
        $day = Days::of($at, $business->zone());
        $add = match ($event['type']) {
            EventType::Viewed->value => $this->view($event, $day, $business),
            EventType::Joined->value => ['signups' => $this->isFirstJoin($event) ? 1 : 0],
            EventType::Downloaded->value => ['downloads' => 1],
            default => [],
        };
        if ($add === []) {
            return;
        }
        $key = ['funnel_id' => $event['funnel_id'], 'page_id' => $event['page_id'], 'day' => $day];
        DB::table('daily_counts')->insertOrIgnore($key);
        DB::table('daily_counts')->where($key)->incrementEach($add);
    }

    /**
     * @param  array<string, mixed>  $event
     * @return array<string, int>
     */
    private function view(array $event, string $day, Business $business): array
    {
        if ($event['visitor'] === null) {
            return ['views' => 1];
        }
        $dayStart = Instant::sql((new CarbonImmutable($day, $business->zone())));
        $before = DB::table('events')->where('page_id', $event['page_id'])->where('type', EventType::Viewed->value)
            ->where('visitor', $event['visitor'])->where('owner', false)
            ->where(fn ($q) => $this->earlier($q, $event));
        $seenToday = (clone $before)->where('at', '>=', $dayStart)->exists();

        return ['views' => 1, 'visitors' => $seenToday ? 0 : 1, 'new_visitors' => ! $seenToday && ! $before->exists() ? 1 : 0];
    }

    /** @param  array<string, mixed>  $event */
    private function isFirstJoin(array $event): bool
    {
        return ! DB::table('events')->where('person_id', $event['person_id'])->where('funnel_id', $event['funnel_id'])
            ->where('type', EventType::Joined->value)->where('owner', false)
            ->where(fn ($q) => $this->earlier($q, $event))->exists();
    }

    /**
     * @param  \Illuminate\Database\Query\Builder  $query
     * @param  array<string, mixed>  $event
     */
    private function earlier($query, array $event): void
    {
        $query->where('at', '<', $event['at']);
        if (isset($event['id'])) {
            $query->orWhere(fn ($q) => $q->where('at', $event['at'])->where('id', '<', $event['id']));
        } else {
            $query->orWhere('at', $event['at']);
        }
    }
}
