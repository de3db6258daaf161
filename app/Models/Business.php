<?php

declare(strict_types=1);

namespace App\Models;

use DateTimeZone;
use Lantern\Core\Funnel\Sender;

/**
 * The business whose funnels these are; everything belongs to exactly one.
 *
 * @property int $id
 * @property string $name
 * @property string $sender_name
 * @property string $sender_address
 * @property string $postal_address
 * @property string $timezone
 * @property string $currency
 * @property list<string> $embed_hosts from where videos may be shown on pages
 */
final class Business extends Record
{
    /** @var array<string, string> */
    protected $casts = ['embed_hosts' => 'array'];

    protected $attributes = ['embed_hosts' => '[]'];

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->timezone);
    }

    public function sender(): Sender
    {
        return new Sender($this->name, $this->sender_name, $this->sender_address, $this->postal_address, $this->timezone);
    }
}
