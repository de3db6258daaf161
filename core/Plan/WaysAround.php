<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

/**
 * The ways of a funnel while some of its pages are removed. A draft keeps every way as it was drawn, also those to and from
 * a page that is removed, so that pages that go and come back in any order leave the ways as they were. Whoever
 * would come to a removed page is led to where its main outcome led; failing that, to the page after it; failing that,
 * the way ends.
 */
final readonly class WaysAround
{
    /**
     * @param  list<Way>  $drawn
     * @param  list<PagePlan>  $pages  in their order, those that are removed among them
     * @param  array<string, true>  $removed  by id
     */
    private function __construct(private array $drawn, private array $pages, private array $removed)
    {
    }

    /**
     * @param  list<Way>  $drawn
     * @param  list<PagePlan>  $pages  in their order, those that are removed among them
     * @param  list<string>  $removed  ids
     * @return list<Way> from pages that are there, to pages that are there or to addresses outside
     */
    public static function of(array $drawn, array $pages, array $removed): array
    {
        if ($removed === []) {
            return $drawn;
        }
        $around = new self($drawn, $pages, array_fill_keys($removed, true));

        return array_values(array_filter(array_map($around->led(...), $drawn)));
    }

    private function led(Way $way): ?Way
    {
        if (isset($this->removed[$way->page])) {
            return null;
        }

        return $way->toPage === null || ! isset($this->removed[$way->toPage]) ? $way : $this->onward($way, $way->toPage, []);
    }

    /** @param  array<string, true>  $passed  removed pages that were come by already */
    private function onward(Way $from, string $removed, array $passed): ?Way
    {
        $passed[$removed] = true;
        $led = null;
        $main = $this->main($removed);
        if ($main !== null && $main->toUrl !== null) {
            return Way::outside($from->page, $from->outcome, $main->toUrl);
        }
        if ($main !== null && $main->toPage !== null && ! isset($passed[$main->toPage])) {
            $led = isset($this->removed[$main->toPage]) ? $this->onward($from, $main->toPage, $passed)
                : Way::toPage($from->page, $from->outcome, $main->toPage);
        }

        return $led !== null && $led->toPage !== $from->page ? $led : $this->after($from, $removed);
    }

    /** The way of a removed page that its visitors most likely took: that of its first outcome that leads elsewhere. */
    private function main(string $removed): ?Way
    {
        foreach ($this->pages as $page) {
            foreach ($page->id === $removed ? $page->outcomes() : [] as $outcome) {
                foreach ($this->drawn as $way) {
                    if ($way->page === $removed && $way->outcome === $outcome && $way->toPage !== $removed) {
                        return $way;
                    }
                }
            }
        }

        return null;
    }

    private function after(Way $from, string $removed): ?Way
    {
        $isAfter = false;
        foreach ($this->pages as $page) {
            if ($isAfter && ! isset($this->removed[$page->id])) {
                return $page->id === $from->page || $page->role === PageRole::Closed ? null
                    : Way::toPage($from->page, $from->outcome, $page->id);
            }
            $isAfter = $isAfter || $page->id === $removed;
        }

        return null;
    }
}
