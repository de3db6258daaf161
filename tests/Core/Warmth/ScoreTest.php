<?php

declare(strict_types=1);

namespace Tests\Core\Warmth;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\Band;
use Lantern\Core\Warmth\Score;
use Lantern\Core\Warmth\Weights;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ScoreTest extends TestCase
{
    private const TODAY = '2026-06-30';

    private static function ago(int $days): string
    {
        return (new \DateTimeImmutable(self::TODAY))->modify("-{$days} days")->format('Y-m-d');
    }

    /** @return iterable<string, array{array<string, list<int>>, array<string, int>, int, int}> days ago by action, weights, half-life; score */
    public static function people(): iterable
    {
        yield 'nobody of whom anything is known' => [[], [], 21, 0];
        yield 'joined today' => [['joined' => [0]], [], 21, 10];
        yield 'joined a half-life ago' => [['joined' => [21]], [], 21, 5];
        yield 'joined two half-lives ago: half a point is rounded up' => [['joined' => [42]], [], 21, 3];
        yield 'joined three half-lives ago' => [['joined' => [63]], [], 21, 1];
        yield 'joined long ago' => [['joined' => [3000]], [], 21, 0];
        yield 'an open is little' => [['opened' => [0, 1, 2]], [], 21, 3];
        yield 'a half-life of a day' => [['bought' => [1, 2, 3]], [], 1, 22];
        yield 'a year of half-life' => [['bought' => [365]], [], 365, 13];
        yield 'no more than there is' => [['bought' => [0, 1, 2, 3], 'checkout' => [0], 'came' => [0]], [], 21, 100];
        yield 'a weight of nothing' => [['bought' => [0], 'joined' => [0]], ['bought' => 0], 21, 10];
        yield 'all weights of nothing' => [['bought' => [0]], array_fill_keys(array_map(fn (Action $a): string => $a->value,
            Action::cases()), 0), 21, 0];
        yield 'what is still to come counts nothing' => [['bought' => [-1]], [], 21, 0];
        yield 'something that is no action' => [['whistled' => [0]], [], 21, 0];
    }

    /**
     * @param  array<string, list<int>>  $ago
     * @param  array<string, int>  $points
     */
    #[DataProvider('people')]
    public function test_what_somebody_did_fades_and_adds_up(array $ago, array $points, int $halfLife, int $score): void
    {
        $days = array_map(fn (array $list): array => array_map(self::ago(...), $list), $ago);
        $weights = Weights::of($points, $halfLife);
        $found = Score::of($weights, $days, self::TODAY);
        self::assertSame($score, $found->value);
        self::assertSame(0, Score::of($weights, $days, self::TODAY, cold: true)->value, 'whoever has left is cold');
        // In whatever order it is told.
        self::assertSame($score, Score::of($weights, array_map(array_reverse(...), array_reverse($days)), self::TODAY)->value);
    }

    public function test_a_score_explains_itself(): void
    {
        $score = Score::of(Weights::of(['clicked' => 6, 'checkout' => 20], 21), ['joined' => [self::ago(42)],
            'clicked' => [self::ago(0), self::ago(21)], 'opened' => [], 'bought' => ['2026-07-01']], self::TODAY);
        self::assertSame(12, $score->value);
        self::assertSame([[Action::Clicked, 2, self::TODAY, 9.0, 3.0], [Action::Joined, 1, self::ago(42), 2.5, 7.5]],
            array_map(array_values(...), $score->parts()));
        // A month ago they had joined, twelve days before.
        self::assertSame(7, $score->aMonthAgo());
        self::assertSame(Band::Mild, $score->band());
        self::assertSame([[Action::Bought, 37], [Action::Checkout, 32], [Action::Came, 27]],
            array_map(array_values(...), $score->raises()));
        self::assertSame([], Score::of(Weights::usual(), [], self::TODAY, cold: true)->raises());
        self::assertSame([], Score::of(Weights::usual(), ['bought' => [self::TODAY, self::ago(1), self::ago(2), self::ago(3),
            self::ago(4)]], self::TODAY)->raises(), 'there is no warmer than the warmest');
    }

    /** @return iterable<string, array{int, Band}> */
    public static function bands(): iterable
    {
        foreach ([[0, Band::Cold], [9, Band::Cold], [10, Band::Mild], [29, Band::Mild], [30, Band::Warm], [59, Band::Warm], [60, Band::Hot],
            [100, Band::Hot]] as [$score, $band]) {
            yield (string) $score => [$score, $band];
        }
    }

    #[DataProvider('bands')]
    public function test_a_score_has_a_word(int $score, Band $band): void
    {
        self::assertSame($band, Band::of($score));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield 'a half-life of nothing' => [['halfLife' => 0]];
        yield 'a half-life before today' => [['halfLife' => -3]];
        yield 'a half-life of a lifetime' => [['halfLife' => 40_000]];
        yield 'a half-life in words' => [['halfLife' => 'long']];
        yield 'a weight below nothing' => [['points' => ['bought' => -1]]];
        yield 'a huge weight' => [['points' => ['bought' => 10_000]]];
        yield 'a weight that is a list' => [['points' => ['bought' => [1]]]];
        yield 'weights that are none' => [['points' => 7]];
    }

    /** @param  array<string, mixed>  $written */
    #[DataProvider('wrong')]
    public function test_weights_that_are_none_are_refused(array $written): void
    {
        $this->expectException(Invalid::class);
        Weights::fromShape(Shape::of($written));
    }

    public function test_weights_are_read_as_they_are_written(): void
    {
        $weights = Weights::fromShape(Shape::of(['points' => ['opened' => 0, 'bought' => 100], 'halfLife' => 7]));
        self::assertEquals($weights, Weights::fromShape(Shape::of($weights->toArray())));
        self::assertSame([0, 100, 10, 7], [$weights->worth(Action::Opened), $weights->worth(Action::Bought),
            $weights->worth(Action::Joined), $weights->halfLife]);
        self::assertEquals(Weights::usual(), Weights::fromShape(Shape::of([])));
        foreach ([1, 7, 21, 365] as $halfLife) {
            $one = Weights::of([], $halfLife);
            self::assertSame(0, $one->left($one->forgets()), "of {$halfLife} days");
            self::assertGreaterThan(0, $one->left($one->forgets() - 1));
            self::assertSame([Weights::UNIT, Weights::UNIT / 2, 0], [$one->left(0), $one->left($halfLife), $one->left(-1)]);
        }
    }
}
