<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Lantern\Core\Rules\Group;

/**
 * Rules about people under a name. Who is in it is looked up when it is asked.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name
 * @property array<string, mixed> $rules
 * @property CarbonImmutable|null $deleted_at
 */
final class Segment extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['rules' => 'array', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['deleted_at' => null];

    public function group(): Group
    {
        return Group::fromArray($this->rules);
    }
}
