<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Support\Shape;

/**
 * A rule of a whole business.
 *
 * @property string $id
 * @property int $business_id
 * @property int $position
 * @property int $revision counts up with each change
 * @property array<string, mixed> $definition as {@see AutomationRule} writes it
 * @property CarbonImmutable|null $removed_at
 */
final class BusinessRule extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'removed_at' => 'immutable_datetime'];

    protected $attributes = ['revision' => 1, 'removed_at' => null];

    public function rule(): AutomationRule
    {
        return AutomationRule::fromShape(Shape::of(['id' => $this->id] + $this->definition));
    }
}
