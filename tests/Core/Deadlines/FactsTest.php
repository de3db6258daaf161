<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\Facts;
use Lantern\Core\Deadlines\FactType;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What follows from the facts of somebody; days stand for moments, such as `3` for 3 December. */
final class FactsTest extends TestCase
{
    private static function day(float $day): DateTimeImmutable
    {
        return (new DateTimeImmutable('2026-12-01', new DateTimeZone('UTC')))->modify('+'.(int) (($day - 1) * 86_400).' seconds');
    }

    private static function fact(string $type, float $at, ?float $ends = null, bool $anew = false): Fact
    {
        return new Fact(FactType::from($type), self::day($at), $ends === null ? null : self::day($ends), '', $anew);
    }

    /** @return iterable<string, array{list<Fact>, array{float, float}|null}> the facts, and start and end of what runs */
    public static function cases(): iterable
    {
        $f = self::fact(...);
        yield 'nothing' => [[], null];
        yield 'a start' => [[$f('started', 1, 4)], [1, 4]];
        yield 'a later start changes nothing' => [[$f('started', 1, 4), $f('started', 2, 5)], [1, 4]];
        yield 'the earliest holds, though it was written last' => [[$f('started', 2, 5), $f('started', 1, 4)], [1, 4]];
        yield 'a start after the end does not begin anew by itself' => [[$f('started', 1, 4), $f('started', 9, 12)], [1, 4]];
        yield 'one that is meant to does' => [[$f('started', 1, 4), $f('started', 9, 12, true)], [9, 12]];
        yield 'not while the one before runs, on another device' => [[$f('started', 8, 11), $f('started', 9, 12, true)], [8, 11]];
        yield 'at the very end of the one before' => [[$f('started', 1, 4), $f('started', 4, 7, true)], [4, 7]];
        yield 'moved on' => [[$f('started', 1, 4), $f('moved', 2, 9)], [1, 9]];
        yield 'moved back' => [[$f('started', 1, 4), $f('moved', 2, 3)], [1, 3]];
        yield 'moved after its end: it runs again' => [[$f('started', 1, 4), $f('moved', 6, 9)], [1, 9]];
        yield 'a move before any start moves nothing' => [[$f('moved', 1, 9), $f('started', 2, 5)], [2, 5]];
        yield 'moved twice' => [[$f('started', 1, 4), $f('moved', 2, 9), $f('moved', 3, 6)], [1, 6]];
        yield 'ended' => [[$f('started', 1, 4), $f('ended', 2)], [1, 2]];
        yield 'ended after its end: it stays as it was' => [[$f('started', 1, 4), $f('ended', 6)], [1, 4]];
        yield 'taken away' => [[$f('started', 1, 4), $f('removed', 2)], null];
        yield 'taken away and begun anew' => [[$f('started', 1, 4), $f('removed', 2), $f('started', 3, 6)], [3, 6]];
        yield 'at one moment, in the order of writing' => [[$f('started', 1, 4), $f('removed', 1), $f('started', 1, 2)], [1, 2]];
        yield 'a move by hand holds for what another device had begun before' => [
            [$f('started', 2, 5), $f('moved', 3, 9), $f('started', 1, 4)], [1, 9]];
        yield 'without an end nothing begins' => [[$f('started', 1)], null];
    }

    /**
     * @param  list<Fact>  $facts
     * @param  array{float, float}|null  $run
     */
    #[DataProvider('cases')]
    public function test_what_follows_from_facts(array $facts, ?array $run): void
    {
        $found = Facts::run($facts);

        self::assertEquals($run === null ? null : [self::day($run[0]), self::day($run[1])],
            $found === null ? null : [$found->startedAt, $found->endsAt]);
    }

    public function test_the_order_in_which_devices_are_joined_does_not_matter(): void
    {
        $facts = [self::fact('started', 3, 6), self::fact('started', 1, 4), self::fact('started', 2, 5), self::fact('moved', 3.5, 8)];
        $ends = [];
        foreach ([[0, 1, 2, 3], [3, 2, 1, 0], [2, 0, 3, 1], [1, 3, 0, 2]] as $order) {
            $ends[] = Facts::run(array_map(fn (int $i): Fact => $facts[$i], $order))?->endsAt->format('c');
        }

        self::assertCount(1, array_unique($ends));
    }
}
