<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * A part of emails that is kept once and used in many, such as a signature.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name
 * @property string $body sanitised HTML
 * @property CarbonImmutable|null $deleted_at
 */
final class EmailPart extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['deleted_at' => 'immutable_datetime'];

    protected $attributes = ['deleted_at' => null];
}
