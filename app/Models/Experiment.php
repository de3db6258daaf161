<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Experiments\StoppingRule;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;

/**
 * A split test from when it went public, under the id that it has in its funnel.
 *
 * @property string $id
 * @property int $business_id
 * @property string $funnel_id
 * @property string $part_id of what is tested
 * @property Tested $tested
 * @property string $name
 * @property TestGoal $goal
 * @property array<string, array{weight: int, note: string, print: string}> $variants by letter
 * @property float $expected the rate that was expected before it began
 * @property int $typical what a buyer was expected to pay, in smallest units
 * @property string $currency
 * @property int $most_days
 * @property bool $by_itself
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable|null $changed_at when one of its variants was changed while it ran
 * @property CarbonImmutable|null $ended_at
 * @property string|null $winner the letter that everybody gets since
 * @property string|null $ended_how owner, by-itself or withdrawn
 * @property string $learned what the owner noted at its end
 * @property Funnel $funnel
 * @property Business $business
 */
final class Experiment extends Record
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    /** @var array<string, string> */
    protected $casts = ['goal' => TestGoal::class, 'variants' => 'array', 'expected' => 'float', 'tested' => Tested::class,
        'typical' => 'integer',
        'most_days' => 'integer', 'by_itself' => 'boolean', 'started_at' => 'immutable_datetime', 'changed_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime'];

    protected $attributes = ['tested' => 'page', 'changed_at' => null, 'ended_at' => null, 'winner' => null,
        'ended_how' => null, 'learned' => ''];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /**
     * What those of some split tests that have ended ended with: everybody has had it since.
     *
     * @param  list<string>  $tests  ids
     * @return array<string, string> letters by test
     */
    public static function winners(array $tests): array
    {
        return $tests === [] ? [] : DB::table('experiments')->whereIn('id', $tests)->whereNotNull('ended_at')->whereNotNull('winner')
            ->orderBy('id')->pluck('winner', 'id')->map(fn (mixed $w): string => (string) $w)->all();
    }

    /** @return array<string, int> by letter */
    public function weights(): array
    {
        return array_map(fn (array $v): int => $v['weight'], $this->variants);
    }

    public function rule(): StoppingRule
    {
        return new StoppingRule($this->expected, (float) $this->typical, $this->most_days);
    }
}
