<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Instant;
use Illuminate\Database\Eloquent\Model;

/** What all our models share: times are kept in UTC with milliseconds, written so that they sort as text. */
abstract class Record extends Model
{
    protected $dateFormat = Instant::FORMAT;

    /** @var array<class-string, string> the names of tables, which the framework would put into the plural for each row anew */
    private static array $tables = [];

    public function getTable(): string
    {
        return self::$tables[static::class] ??= parent::getTable();
    }
}
