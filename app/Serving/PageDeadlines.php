<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\PublishedPage;
use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\Place;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;

/** The deadlines that a published page is concerned with: noted when it is published, so that a visit needs no plan. */
final readonly class PageDeadlines
{
    /**
     * @param  list<Deadline>  $deadlines  all of the funnel
     * @param  array<string, string>  $addresses  of the pages that others are led to, by id
     * @param  array<string, int>  $seen  by id of the deadlines that begin when this page is seen: from how many views on
     */
    private function __construct(
        public array $deadlines,
        public Guards $guards,
        private array $addresses,
        public array $seen,
    ) {
    }

    /** @return array<string, mixed>|null nothing where the page has to do with no deadline */
    public static function note(Plan $plan, PagePlan $page): ?array
    {
        $seen = [];
        foreach ($plan->deadlines as $deadline) {
            $times = array_map(fn (Trigger $t): int => $t instanceof PageSeen && $t->page === $page->id ? $t->times : 0,
                $deadline->starts->list);
            $seen += array_filter($times) === [] ? [] : [$deadline->id => min(array_filter($times))];
        }
        $sold = $page->document->references();
        foreach ($plan->offers as $offer) {
            if (in_array($offer->id, $sold, true)) {
                array_push($sold, ...array_map(fn ($b): string => $b->offer, $offer->bumps));
            }
        }
        $concerns = array_filter($plan->deadlines, fn (Deadline $d): bool => $d->guardedPage($page->id) !== null
            || array_intersect($d->offers, $sold) !== [] || in_array($d->id, $sold, true));
        if ($seen === [] && $concerns === []) {
            return null;
        }
        $after = $addresses = [];
        foreach ($plan->ways as $way) {
            if ($way->outcome === Outcome::TimeRanOut) {
                $after[$way->page] = $way->toPage === null ? ['url' => $way->toUrl] : ['page' => $way->toPage];
            }
        }
        foreach ($plan->pages as $other) {
            $addresses[$other->id] = $other->address;
        }

        return ['all' => array_map(fn (Deadline $d): array => $d->toArray(), $plan->deadlines), 'after' => (object) $after,
            'addresses' => $addresses, 'seen' => (object) $seen];
    }

    public static function of(PublishedPage $page): ?self
    {
        return self::fromArray($page->deadlines);
    }

    /** @param  array<string, mixed>|null  $noted  as `note` wrote it */
    public static function fromArray(?array $noted): ?self
    {
        if ($noted === null) {
            return null;
        }
        $shape = Shape::of($noted);
        $deadlines = array_map(Deadline::fromShape(...), $shape->groups('all'));
        $after = [];
        foreach (array_keys($shape->group('after')->all()) as $id) {
            $to = $shape->group('after')->group((string) $id);
            $after[(string) $id] = $to->has('url') ? Place::url($to->text('url', 2000)) : Place::page($to->text('page', 40));
        }
        $addresses = [];
        foreach (array_keys($shape->group('addresses')->all()) as $id) {
            $addresses[(string) $id] = $shape->group('addresses')->text((string) $id, 60);
        }

        $seen = [];
        foreach (array_keys($shape->group('seen')->all()) as $id) {
            $seen[(string) $id] = $shape->group('seen')->integer((string) $id, 1, PageSeen::MOST_TIMES);
        }

        return new self($deadlines, new Guards($deadlines, $after), $addresses, $seen);
    }

    /**
     * Those that may begin when somebody sees the page now.
     *
     * @return array<string, int> by id: from how many views on
     */
    public function mayBegin(?DeadlineStates $states, DateTimeImmutable $now): array
    {
        return array_filter($this->seen, fn (int $times, string $id): bool => $this->deadline($id)
            ?->mayBegin($states->runs[$id] ?? null, $now) === true, ARRAY_FILTER_USE_BOTH);
    }

    public function deadline(string $id): ?Deadline
    {
        foreach ($this->deadlines as $deadline) {
            if ($deadline->id === $id) {
                return $deadline;
            }
        }

        return null;
    }

    /** @return string|null the address within the funnel; nothing for a page that is gone */
    public function address(string $page): ?string
    {
        return $this->addresses[$page] ?? null;
    }
}
