<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\PublishedPage;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Device;
use Lantern\Core\Results\Touch;
use stdClass;

/**
 * What something that happens is credited to, as far as it is known at that moment: where this browser, or the person whose it is,
 * came from first and last, what it is, and from which page it went on. It is written with the event and never worked out again, so
 * that what counts does not change when people are merged or forgotten.
 */
final readonly class Origin
{
    private function __construct(public string $firstTouch, public string $lastTouch, public string $device, public bool $known)
    {
    }

    /** @param  string|null  $person  whose it is, by id */
    public static function of(NewEvent $event, ?string $person): self
    {
        $origin = self::look($event->business->id, $event->visitor, $person,
            $event->type === EventType::Clicked ? Touch::EMAIL : (string) $event->source, $event->device);

        // Whoever looks at a page is known by what is known of them now, and in all that follows by how they came.
        return $event->type === EventType::Viewed ? new self($origin->firstTouch, $origin->lastTouch, $origin->device, $person !== null)
            : $origin;
    }

    /**
     * @param  string|null  $visitor  the browser, by its id; likewise the person whose it is
     * @param  string  $source  what this very visit came from
     * @param  Device|null  $device  where the browser itself is at hand
     */
    public static function look(int $business, ?string $visitor, ?string $person, string $source, ?Device $device = null): self
    {
        $own = Touch::of(['utm_source' => $source]);
        $browser = $visitor === null ? null : self::last($business, 'visitor', $visitor);
        $theirs = $person === null ? null : self::last($business, 'person_id', $person);
        // A direct visit takes nothing away from what led here before.
        $newest = ($browser->id ?? 0) > ($theirs->id ?? 0) ? $browser : $theirs;

        return new self($theirs->first_touch ?? $browser->first_touch ?? $own, $own === '' ? (string) ($newest->last_touch ?? '') : $own,
            $device->value ?? $browser->device ?? '', $browser === null ? $theirs !== null : (bool) $browser->known);
    }

    /** @return array{first_touch: string, last_touch: string, device: string, known: bool} */
    public function toArray(): array
    {
        return ['first_touch' => $this->firstTouch, 'last_touch' => $this->lastTouch, 'device' => $this->device, 'known' => $this->known];
    }

    /**
     * The page that this browser saw last in the funnel, of those that lead to the one it looks at now.
     *
     * @return array{came_from: string|null, took: int|null} `took` in seconds
     */
    public static function step(NewEvent $event): array
    {
        $none = ['came_from' => null, 'took' => null];
        if ($event->type !== EventType::Viewed || $event->visitor === null || $event->page === null || $event->funnel === null) {
            return $none;
        }
        $seen = DB::table('events')->where('visitor', $event->visitor)->where('funnel_id', $event->funnel->id)
            ->where('type', EventType::Viewed->value)->whereNotNull('version_id')->where('page_id', '!=', $event->page)
            ->groupBy('page_id', 'version_id')->selectRaw('page_id, version_id, max(id) as id, max(at) as at')
            ->orderByDesc('id')->limit(20)->get();
        foreach ($seen as $page) {
            $leadsTo = PublishedPage::query()->where('version_id', $page->version_id)->where('page_id', $page->page_id)
                ->first(['id', 'leads_to'])?->leads_to;
            if (in_array($event->page, $leadsTo ?? [], true)) {
                $at = new DateTimeImmutable((string) $page->at, new DateTimeZone('UTC'));

                return ['came_from' => (string) $page->page_id,
                    'took' => max(0, $event->at->getTimestamp() - $at->getTimestamp())];
            }
        }

        return $none;
    }

    private static function last(int $business, string $whose, string $id): ?stdClass
    {
        return DB::table('events')->where($whose, $id)->where('business_id', $business)->where('owner', false)
            ->when($whose === 'person_id', fn (Builder $q) => $q->orderByDesc('at'))->orderByDesc('id')
            ->first(['id', 'first_touch', 'last_touch', 'device', 'known']);
    }
}
