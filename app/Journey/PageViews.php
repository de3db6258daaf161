<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Funnel;
use App\Models\Person;
use App\Models\Version;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Results\Device;

/**
 * The one door for seeing a page: a view is recorded by the same call that decides what follows from it. Most views set nothing off;
 * they are recorded without a look at any plan.
 */
final readonly class PageViews
{
    public function __construct(private Events $events)
    {
    }

    /**
     * @param  string  $version  the id of the version that was seen, likewise `page`
     * @param  string|null  $person  whose browser it is, by id
     * @param  array{test: string, letter: string}|null  $variant  of a page in a split test: what was seen of it
     * @param  string|null  $source  see {@see \Lantern\Core\Results\Touch}
     */
    public function see(Funnel $funnel, string $version, string $page, ?string $person, Stranger $browser, ?string $source,
        DateTimeImmutable $at, ?Device $device = null, ?array $variant = null): void
    {
        if (! self::isListenedTo($page)) {
            $light = Version::query()->select(['id', 'funnel_id'])->findOrFail($version);
            $this->events->take(new NewEvent(EventType::Viewed, $funnel->business, $at, $funnel, $light, $page, personId: $person,
                visitor: $browser->visitor, source: $source, device: $device,
                variant: $variant));

            return;
        }
        $known = $person === null ? null : Person::query()->with('business')->whereNull('erased_at')->find($person);
        $this->events->take(new NewEvent(EventType::Viewed, $funnel->business, $at, $funnel, Version::query()->findOrFail($version), $page,
            person: $known, visitor: $browser->visitor, source: $source, stranger: $known === null ? $browser : null,
            times: self::before($page, $browser->visitor, $person) + 1, device: $device, variant: $variant));
    }

    /** How often somebody has seen a page, in this browser or in any of theirs. */
    public static function before(string $page, ?string $visitor, ?string $person): int
    {
        return DB::table('events')->where('page_id', $page)->where('type', EventType::Viewed->value)->where('owner', false)
            ->where(fn (Builder $q) => $q->where('visitor', $visitor)->when($person !== null, fn (Builder $q) => $q->orWhere('person_id',
                $person)))
            ->limit(PageSeen::MOST_TIMES)->count();
    }

    /** Does anything that was ever published wait for this page to be seen? */
    private static function isListenedTo(string $page): bool
    {
        return DB::table('version_triggers')->whereIn('trigger_key', PageSeen::keysOf($page, PageSeen::MOST_TIMES))->exists()
            || DB::table('rule_triggers')->whereIn('trigger_key', PageSeen::keysOf($page, PageSeen::MOST_TIMES))->exists();
    }
}
