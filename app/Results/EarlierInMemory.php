<?php

declare(strict_types=1);

namespace App\Results;

use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use stdClass;

/** Kept while all events are counted anew: they come browser by browser, each browser's in the order in which they were written. */
final class EarlierInMemory implements Earlier
{
    private string $visitor = '';

    /** @var array<string, array<string, stdClass>> of the browser at hand: by funnel, type and page, each minute once */
    private array $seen = [];

    /** @var array<string, array<string, stdClass>> what it pressed: by funnel, each block once a minute */
    private array $presses = [];

    /** @var array<int, true> ids of the events that are somebody's first sign-up to a funnel */
    private array $joins = [];

    public function __construct(int $business)
    {
        foreach (DB::table('events')->where('business_id', $business)->where('type', EventType::Joined->value)->where('owner', false)
            ->whereNotNull('funnel_id')->groupBy('person_id', 'funnel_id')->selectRaw('min(id) as id')->cursor() as $row) {
            $this->joins[(int) $row->id] = true;
        }
    }

    /** To be called with each event once it is counted. */
    public function remember(stdClass $event): void
    {
        if ($event->visitor === null || (bool) $event->owner) {
            return;
        }
        if ($event->visitor !== $this->visitor) {
            [$this->visitor, $this->seen, $this->presses] = [$event->visitor, [], []];
        }
        $minute = substr((string) $event->at, 0, 16)."|{$event->last_touch}|{$event->known}|{$event->device}|{$event->first_touch}";
        $keep = function (string $key, string $way = '') use ($event, $minute): void {
            $this->seen["{$event->funnel_id} {$key}"]["{$minute}|{$way}"] ??= (object) ['first_touch' => $event->first_touch,
                'last_touch' => $event->last_touch, 'device' => $event->device, 'known' => $event->known, 'at' => $event->at,
                'way' => $way];
        };
        $type = EventType::tryFrom((string) $event->type);
        if ($type === EventType::Viewed) {
            $keep('views');
            $keep("views {$event->page_id}");
        }
        if ($type === EventType::Pressed) {
            $this->presses[(string) $event->funnel_id]["{$event->part} ".substr((string) $event->at, 0, 16)] ??= (object) [
                'part' => $event->part, 'at' => $event->at];
        }
        if ($event->came_from !== null) {
            $keep("on {$event->came_from}", (string) $event->page_id);
        }
        if ($event->page_id !== null && in_array($type, EventTallies::LEADS_ON, true)) {
            $keep("on {$event->page_id}", (string) $event->type);
        }
    }

    public function views(stdClass $event, ?string $page): iterable
    {
        return $this->of($event, $page === null ? 'views' : "views {$page}");
    }

    public function wentOn(stdClass $event, string $from): iterable
    {
        return $this->of($event, "on {$from}");
    }

    public function presses(stdClass $event): iterable
    {
        return $event->visitor === $this->visitor ? $this->presses[(string) $event->funnel_id] ?? [] : [];
    }

    public function isFirstJoin(stdClass $event): bool
    {
        return isset($this->joins[(int) $event->id]);
    }

    /** @return array<string, stdClass> */
    private function of(stdClass $event, string $key): array
    {
        return $event->visitor === $this->visitor ? $this->seen["{$event->funnel_id} {$key}"] ?? [] : [];
    }
}
