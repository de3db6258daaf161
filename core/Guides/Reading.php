<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Attention\Intervals;

/** How far somebody has come with a guide, by all their sittings: two devices at once count once. */
final readonly class Reading
{
    /** Seconds without a look after which somebody who looks again has come back: another stay. */
    public const APART = 1800;

    /** Seconds of looking by which a guide is begun, and a page is one of those that somebody looked at in a stay. */
    private const BEGUN = 5;

    private const GLANCE = 2;

    /**
     * @param  array<string, PageProgress>  $pages  by id; only those that were looked at
     * @param  int  $seconds  in view
     * @param  int  $stays  how often they sat down to it
     * @param  string|null  $last  the page that they looked at last
     * @param  int  $share  in percent, of the pages that there are
     */
    private function __construct(public array $pages, public int $seconds, public int $stays, public ?string $last, public int $share,
        public bool $begun, public bool $finished)
    {
    }

    /**
     * @param  list<Sitting>  $sittings  in any order
     * @param  list<ReadablePage>  $pages  that there are now, in order; what was read of others counts no more
     * @param  list<string>  $before  ids of pages that were read already, whatever they have become since
     */
    public static function of(array $sittings, array $pages, FinishRule $rule, array $before = []): self
    {
        $when = [];
        $scrolled = [];
        foreach ($sittings as $sitting) {
            foreach ($sitting->seen as $page => $intervals) {
                $when[$page] = ($when[$page] ?? Intervals::nothing())->and($intervals->later($sitting->began));
                $scrolled[$page] = max($scrolled[$page] ?? 0, $sitting->scrolled[$page] ?? 0);
            }
        }
        $all = array_reduce($when, fn (Intervals $a, Intervals $b): Intervals => $a->and($b), Intervals::nothing());
        $stays = self::stays($all);
        $progress = [];
        foreach ($pages as $page) {
            $seen = $when[$page->id] ?? null;
            $was = in_array($page->id, $before, true);
            if (($seen !== null && $seen->seconds() > 0) || $was) {
                $seconds = $seen?->seconds() ?? 0;
                $progress[$page->id] = new PageProgress($seconds, $scrolled[$page->id] ?? 0,
                    max(1, $seen === null ? 0 : self::staysOf($seen, $stays)), $was || $page->isRead($seconds, $scrolled[$page->id] ?? 0));
            }
        }
        $ids = array_map(fn (ReadablePage $p): string => $p->id, $pages);
        $read = array_keys(array_filter($progress, fn (PageProgress $p): bool => $p->read));

        return new self($progress, $all->seconds(), count($stays), self::latest($when, $ids),
            $pages === [] ? 0 : intdiv(100 * count($read), count($pages)), $all->seconds() >= self::BEGUN || $read !== [],
            $rule->holds($ids, $read, array_keys($progress)));
    }

    /** @return list<string> ids of the pages that were read */
    public function read(): array
    {
        return array_map(strval(...), array_keys(array_filter($this->pages, fn (PageProgress $p): bool => $p->read)));
    }

    /** @return list<array{int, int}> from and until a second: what lies closer together is one stay */
    private static function stays(Intervals $all): array
    {
        $stays = [];
        foreach ($all->intervals as [$from, $until]) {
            $last = count($stays) - 1;
            if ($last >= 0 && $from - $stays[$last][1] < self::APART) {
                $stays[$last] = [$stays[$last][0], $until];
            } else {
                $stays[] = [$from, $until];
            }
        }

        return $stays;
    }

    /** @param  list<array{int, int}>  $stays */
    private static function staysOf(Intervals $seen, array $stays): int
    {
        return count(array_filter($stays, function (array $stay) use ($seen): bool {
            $within = array_filter($seen->intervals, fn (array $i): bool => $i[0] >= $stay[0] && $i[1] <= $stay[1]);

            return array_sum(array_map(fn (array $i): int => $i[1] - $i[0], $within)) >= self::GLANCE;
        }));
    }

    /**
     * @param  array<string, Intervals>  $when
     * @param  list<string>  $pages
     */
    private static function latest(array $when, array $pages): ?string
    {
        $last = null;
        foreach ($pages as $page) {
            if (isset($when[$page]) && ($last === null || $when[$page]->until() >= $when[$last]->until())) {
                $last = $page;
            }
        }

        return $last;
    }
}
