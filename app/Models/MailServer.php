<?php

declare(strict_types=1);

namespace App\Models;

use Lantern\Core\Messages\Encryption;
use Lantern\Core\Messages\MailWay;

/**
 * By which way the messages of a business go, and its mail server. One that is not used any more is kept, so that the owner can go back.
 *
 * @property int $id
 * @property int $business_id
 * @property MailWay $way
 * @property string $host '' where none was named yet
 * @property int $port
 * @property Encryption $encryption
 * @property string $username '' for a server that asks for none
 * @property string|null $password kept encrypted
 */
final class MailServer extends Record
{
    /** @var array<string, string> */
    protected $casts = ['way' => MailWay::class, 'encryption' => Encryption::class, 'password' => 'encrypted'];

    protected $attributes = ['host' => '', 'port' => 587, 'encryption' => 'starttls', 'username' => '', 'password' => null];

    protected $hidden = ['password'];
}
