<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use DateTimeImmutable;

/** Views of pages, told apart into visits: one ends when nothing was looked at for half an hour. */
final readonly class Visits
{
    public const GAP = 1800;

    private function __construct(public int $count, public ?DateTimeImmutable $since)
    {
    }

    /** @param  iterable<DateTimeImmutable>  $views  moments in any order, those of the present visit among them */
    public static function of(iterable $views, DateTimeImmutable $now): self
    {
        $moments = [];
        foreach ($views as $view) {
            // A clock that was put back makes no visits in the future.
            $moments[] = min($view, $now);
        }
        $moments[] = $now;
        usort($moments, fn (DateTimeImmutable $a, DateTimeImmutable $b): int => $a <=> $b);
        $count = 0;
        $since = $last = null;
        foreach ($moments as $moment) {
            if ($last === null || $moment->getTimestamp() - $last->getTimestamp() > self::GAP) {
                $count++;
                $since = $moment;
            }
            $last = $moment;
        }

        return new self($count, $since);
    }
}
