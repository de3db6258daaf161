<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Attention\Intervals;
use Lantern\Core\Attention\Report;

/**
 * A guide opened once on one device: which pages were in view when, and how far each was scrolled. Reports may be lost, doubled, late or
 * out of order: what is believed of them is kept as intervals, so that none of it counts twice.
 */
final readonly class Sitting
{
    /** Seconds that one page can have been read for in one sitting; a page that lies open is not read. */
    public const MOST_ON_PAGE = 1800;

    /** Intervals that are kept of one page. */
    public const MOST_INTERVALS = 40;

    /**
     * @param  int  $began  when it was opened, in seconds since 1970
     * @param  array<string, Intervals>  $seen  by page, in seconds since then
     * @param  array<string, int>  $scrolled  by page, in percent
     */
    private function __construct(public int $began, public array $seen, public array $scrolled)
    {
    }

    /**
     * @param  int  $now  in seconds since 1970
     * @param  int  $open  seconds for which the device says that it has shown the guide; of that no more is believed than a report may
     *     be late
     */
    public static function begun(int $now, int $open): self
    {
        return new self($now - max(0, min($open, Report::SLACK)), [], []);
    }

    /** As it was kept. */
    public static function read(int $began, mixed $seen, mixed $scrolled): self
    {
        $pages = [];
        foreach (is_array($seen) ? $seen : [] as $page => $intervals) {
            $pages[(string) $page] = Intervals::read($intervals);
        }

        $far = [];
        foreach (is_array($scrolled) ? $scrolled : [] as $page => $percent) {
            $far[(string) $page] = is_int($percent) ? $percent : 0;
        }

        return new self($began, $pages, $far);
    }

    /**
     * With what is believed of reports.
     *
     * @param  list<PageReport>  $reports
     * @param  list<string>  $pages  ids of the pages there are; of others nothing is believed
     * @param  int  $now  in seconds since 1970
     */
    public function with(array $reports, array $pages, int $now): self
    {
        $here = max(0, $now - $this->began);
        [$seen, $scrolled] = [$this->seen, $this->scrolled];
        foreach ($reports as $report) {
            if (! in_array($report->page, $pages, true)) {
                continue;
            }
            $known = $seen[$report->page] ?? Intervals::nothing();
            $before = array_sum(array_map(fn (Intervals $i): int => $i->seconds(), $seen));
            $believed = (new Report($report->from, min($report->until, $here)))->believed($here, $before, $here);
            $with = $known->and($believed)->shortened(self::MOST_INTERVALS);
            if ($with->seconds() <= self::MOST_ON_PAGE) {
                $seen[$report->page] = $with;
            }
            if (isset($seen[$report->page]) && $seen[$report->page]->seconds() > 0) {
                $scrolled[$report->page] = max($scrolled[$report->page] ?? 0, max(0, min(100, $report->scrolled)));
            }
        }

        return new self($this->began, array_filter($seen, fn (Intervals $i): bool => $i->intervals !== []), $scrolled);
    }

    /** @return array<string, list<array{int, int}>> by page */
    public function written(): array
    {
        return array_map(fn (Intervals $i): array => $i->intervals, $this->seen);
    }
}
