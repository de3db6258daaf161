<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * A page or a section that an owner keeps as a design of their own, for any of their funnels.
 *
 * @property string $id
 * @property int $business_id
 * @property string $kind `page` or `section`
 * @property string $name
 * @property string $role the role of the page, or the kind of the section
 * @property array<string, mixed> $document a page document; for a section, one with that section alone
 * @property CarbonImmutable|null $deleted_at
 */
final class OwnDesign extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['document' => 'array', 'deleted_at' => 'immutable_datetime'];

    protected $attributes = ['deleted_at' => null];
}
