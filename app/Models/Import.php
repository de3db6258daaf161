<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * A file of people that is brought in: new (being looked at), running, done or stopped; undoing and undone when it is taken back.
 *
 * @property string $id
 * @property int $business_id
 * @property string $name of the file
 * @property string $path where its UTF-8 copy lies, as CSV
 * @property array<string, mixed> $reading delimiter, encoding it came in, headings, sample rows, and how many lines there are
 * @property array<string, mixed> $settings {@see \Lantern\Core\People\ImportPlan}
 * @property ImportState $state
 * @property int $at_byte how far it is read
 * @property int $at_line
 * @property int $lines
 * @property int $added
 * @property int $updated
 * @property int $same
 * @property int $refused
 * @property int $noted lines that were brought in, but not all of what they say
 * @property int|null $stayed whom it had added and who stayed when it was taken back, since something has happened with them
 * @property CarbonImmutable|null $undone_at
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at when its last line was read
 */
final class Import extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['state' => ImportState::class, 'reading' => 'array', 'settings' => 'array', 'undone_at' => 'immutable_datetime'];

    protected $attributes = ['settings' => '{}', 'state' => 'new', 'at_byte' => 0, 'at_line' => 0, 'lines' => 0, 'added' => 0,
        'updated' => 0, 'same' => 0, 'refused' => 0, 'noted' => 0, 'stayed' => null, 'undone_at' => null];
}
