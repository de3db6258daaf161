<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Where an outcome of a page leads.
 *
 * @property int $id
 * @property string $page_id
 * @property string $outcome
 * @property string|null $to_page
 * @property string|null $to_url
 */
final class Way extends Record
{
    public $timestamps = false;
}
