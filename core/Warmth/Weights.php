<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What each action is worth, and after how many days half of it is left. */
final readonly class Weights
{
    public const MOST = 100;

    public const MOST_DAYS = 365;

    public const USUAL_DAYS = 21;

    /**
     * What a whole point is counted in: whole numbers add up to the same in every order, in the core and in the database.
     */
    public const UNIT = 1_000_000;

    /** @param  array<string, int>  $points  by action, each of them */
    private function __construct(public array $points, public int $halfLife)
    {
    }

    public static function usual(): self
    {
        return self::of([], self::USUAL_DAYS);
    }

    /**
     * @param  array<string, int>  $points  by action; one that is not named is worth the usual
     */
    public static function of(array $points, int $halfLife): self
    {
        $all = [];
        foreach (Action::cases() as $action) {
            $all[$action->value] = $points[$action->value] ?? $action->usual();
        }

        return new self($all, $halfLife);
    }

    /** @throws Invalid for what is no number of points or days */
    public static function fromShape(Shape $shape): self
    {
        $given = $shape->optionalGroup('points');
        $points = [];
        if ($given !== null) {
            foreach (Action::cases() as $action) {
                $points[$action->value] = $given->integer($action->value, 0, self::MOST, $action->usual());
            }
        }

        return self::of($points, $shape->integer('halfLife', 1, self::MOST_DAYS, self::USUAL_DAYS));
    }

    public function worth(Action $action): int
    {
        return $this->points[$action->value];
    }

    /** What is left of a point after so many whole days, in {@see self::UNIT}; nothing of what is still to come. */
    public function left(int $days): int
    {
        return $days < 0 ? 0 : (int) round(self::UNIT * 0.5 ** ($days / $this->halfLife));
    }

    /** The first age, in days, of which nothing is left. */
    public function forgets(): int
    {
        // Half a unit is rounded up; what is less is none.
        return (int) floor($this->halfLife * log(2 * self::UNIT, 2)) + 1;
    }

    /** @return array{points: array<string, int>, halfLife: int} */
    public function toArray(): array
    {
        return ['points' => $this->points, 'halfLife' => $this->halfLife];
    }
}
