<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property int $business_id
 * @property string $name
 * @property string $name_key small letters, by which two spellings are one tag
 */
final class Tag extends Record
{
}
