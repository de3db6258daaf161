<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Plan\OpeningTimes;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;
use LogicException;

/**
 * One published state of a whole funnel. Never changed once written.
 *
 * @property string $id
 * @property string $funnel_id
 * @property int $number
 * @property string $note
 * @property array<string, mixed> $plan
 * @property string $fingerprint of the plan, to tell whether the draft differs
 * @property int|null $published_by
 * @property CarbonImmutable $published_at
 * @property Funnel $funnel
 */
final class Version extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['plan' => 'array', 'published_at' => 'immutable_datetime'];

    private const KEPT = 16;

    /** @var array<string, Plan> by id: what never changes need not be read again by the next job, nor for the next email */
    private static array $read = [];

    protected static function booted(): void
    {
        self::updating(fn () => throw new LogicException('A version is never changed.'));
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** When it is open, without reading the whole plan. */
    public function times(): OpeningTimes
    {
        return OpeningTimes::fromShape(Shape::of(['times' => $this->plan['times'] ?? null])->optionalGroup('times'));
    }

    /** What is public by it: split tests that have ended since are settled in it. */
    public function plan(): Plan
    {
        $plan = $this->kept($this->id, fn (): Plan => Plan::fromArray($this->plan));
        $running = array_filter($plan->splitTests, fn (SplitTest $t): bool => $t->on);
        $winners = Experiment::winners(array_values(array_map(fn (SplitTest $t): string => $t->id, $running)));

        return $winners === [] ? $plan
            : $this->kept($this->id.' '.json_encode($winners, JSON_THROW_ON_ERROR), fn (): Plan => $plan->settled($winners));
    }

    /** @param  callable(): Plan  $read */
    private function kept(string $as, callable $read): Plan
    {
        if (! isset(self::$read[$as])) {
            self::$read = array_slice(self::$read, -self::KEPT + 1) + [$as => $read()];
        }

        return self::$read[$as];
    }
}
