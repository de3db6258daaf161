<?php

declare(strict_types=1);

namespace App\Models;

/**
 * One answer of one person in one of the owner's own fields.
 *
 * @property int $id
 * @property string $person_id
 * @property string $name of the field
 * @property string $value
 */
final class PersonValue extends Record
{
    public $timestamps = false;
}
