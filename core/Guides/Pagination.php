<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/**
 * Makes pages of a document: each begins with a heading of the level at which the document is divided; where there is none, with a sheet
 * of paper, or else after as many words as are read in two minutes. Nothing is left out: what would be more pages than a guide has is put
 * together with its neighbours.
 */
final class Pagination
{
    /** Words of a page where the document itself does not say where one ends. */
    private const USUAL = 350;

    /** A page of more is divided at its paragraphs. */
    private const LONGEST = 900;

    /**
     * @param  list<Piece>  $pieces
     * @return list<list<Piece>> pages, none of them empty; the first piece of each may be its heading
     */
    public static function of(array $pieces, int $most = Guide::MOST_PAGES): array
    {
        $level = self::level($pieces);
        $pages = match (true) {
            $level !== null => self::cut($pieces, fn (Piece $p): bool => $p->isHeading() && $p->level <= $level),
            array_filter($pieces, fn (Piece $p): bool => $p->ends) !== [] => self::cut($pieces, fn (Piece $p): bool => $p->ends),
            default => [$pieces],
        };
        $pages = array_map(fn (array $page): array => array_values(array_filter($page, fn (Piece $p): bool => ! $p->ends)), $pages);
        $longest = $level === null ? self::USUAL : self::LONGEST;
        $pages = array_merge([], ...array_map(fn (array $page): array => self::divided($page, $longest),
            array_values(array_filter($pages, fn (array $p): bool => $p !== []))));
        while (count($pages) > max(1, $most)) {
            $pages = self::joined($pages);
        }

        return $pages;
    }

    /**
     * What a page is called among the contents.
     *
     * @param  list<Piece>  $page
     */
    public static function name(array $page, int $number): string
    {
        if ($page === [] || $page[0]->text === '') {
            return "Page {$number}";
        }
        $first = $page[0];
        $name = $first->isHeading() ? $first->text : (string) preg_replace('/(?<=[.!?…])\s.*$/su', '', $first->text);

        return mb_strimwidth($name, 0, $first->isHeading() ? 120 : 60, '…');
    }

    /**
     * The level at which the document is divided: the highest of which there are several. A single title above them makes the cover.
     *
     * @param  list<Piece>  $pieces
     */
    private static function level(array $pieces): ?int
    {
        $counts = array_count_values(array_filter(array_map(fn (Piece $p): int => $p->level, $pieces)));
        ksort($counts);
        foreach ($counts as $level => $count) {
            if ($count > 1) {
                return $level;
            }
        }

        // One of each level, or none: at the lowest there is.
        return $counts === [] ? null : max(array_keys($counts));
    }

    /**
     * @param  list<Piece>  $pieces
     * @param  callable(Piece): bool  $begins
     * @return list<list<Piece>>
     */
    private static function cut(array $pieces, callable $begins): array
    {
        $pages = [[]];
        foreach ($pieces as $piece) {
            if ($begins($piece) && $pages[count($pages) - 1] !== []) {
                $pages[] = [];
            }
            $pages[count($pages) - 1][] = $piece;
        }

        return $pages;
    }

    /**
     * @param  list<Piece>  $page
     * @return list<list<Piece>>
     */
    private static function divided(array $page, int $longest): array
    {
        $pages = [[]];
        $words = 0;
        foreach ($page as $piece) {
            // A heading stays with what it is about.
            $last = $pages[count($pages) - 1];
            $followsHeading = $last !== [] && $last[count($last) - 1]->isHeading();
            if ($words > 0 && ! $followsHeading && $words + $piece->words() > $longest) {
                $pages[] = [];
                $words = 0;
            }
            $pages[count($pages) - 1][] = $piece;
            $words += $piece->words();
        }

        return $pages;
    }

    /**
     * With the two neighbours as one that are the shortest together.
     *
     * @param  list<list<Piece>>  $pages  two at least
     * @return list<list<Piece>>
     */
    private static function joined(array $pages): array
    {
        $words = array_map(fn (array $page): int => array_sum(array_map(fn (Piece $p): int => $p->words(), $page)), $pages);
        $at = 0;
        for ($i = 1; $i < count($pages) - 1; $i++) {
            $at = $words[$i] + $words[$i + 1] < $words[$at] + $words[$at + 1] ? $i : $at;
        }
        array_splice($pages, $at, 2, [[...$pages[$at], ...$pages[$at + 1]]]);

        return $pages;
    }
}
