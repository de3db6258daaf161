<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

/**
 * What follows from the facts of somebody about one deadline, wherever they were written down: in one browser or in several,
 * before it was known who they are or after.
 */
final class Facts
{
    /**
     * The earliest start holds; a later one counts only if it was meant to begin anew and the one before had ended. A move, an
     * end and a removal concern what runs when they happen.
     *
     * @param  list<Fact>  $facts  in the order in which they were written
     */
    public static function run(array $facts): ?Run
    {
        // A start and what is done to it may bear one moment; then the order of writing decides, which the sort keeps.
        usort($facts, fn (Fact $a, Fact $b): int => $a->at <=> $b->at);
        $run = null;
        foreach ($facts as $fact) {
            $run = match ($fact->type) {
                FactType::Started => self::started($run, $fact),
                FactType::Moved => $run === null || $fact->endsAt === null ? $run
                    : new Run($run->startedAt, $fact->endsAt, self::both($run, $fact)),
                FactType::Ended => $run === null ? null : new Run($run->startedAt, min($run->endsAt, $fact->at), self::both($run, $fact)),
                FactType::Removed => null,
            };
        }

        return $run;
    }

    private static function started(?Run $run, Fact $fact): ?Run
    {
        if ($fact->endsAt === null || ($run !== null && (! $fact->anew || $fact->at < $run->endsAt))) {
            return $run;
        }

        return new Run($fact->at, $fact->endsAt, $fact->why);
    }

    private static function both(Run $run, Fact $fact): string
    {
        return trim("{$run->why} {$fact->why}");
    }
}
