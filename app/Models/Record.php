<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Instant;
use Illuminate\Database\Eloquent\Model;

/** What all our models share: times are kept in UTC with milliseconds, written so that they sort as text. */
abstract class Record extends Model
{
    protected $dateFormat = Instant::FORMAT;
}
