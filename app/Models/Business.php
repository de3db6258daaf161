<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Homes;
use App\Support\SiteAddress;
use DateTimeZone;
use Lantern\Core\Plan\Sender;

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
 * @property string $locale how the owner reads dates, numbers and money: a BCP 47 tag
 * @property string $language in which new funnels speak to visitors, as {@see \Lantern\Core\Languages\Language} reads it
 * @property array<string, array<string, string>> $phrases what the application says to visitors in other words: by language and key
 * @property int $messages_per_minute at most
 * @property string|null $hook_secret with which calls to the owner's own addresses are signed
 * @property string|null $report_key in the address at which mail servers tell what came back
 * @property \Carbon\CarbonImmutable|null $reported_at when they last told something
 * @property \Carbon\CarbonImmutable|null $readers_told_at when the daily email about readers of guides last went out
 * @property \Carbon\CarbonImmutable|null $told_at when the daily email about new people last went out
 * @property int $tax_rate in hundredths of a percent
 * @property string $tax_name what the tax is called on receipts
 * @property string $tax_number of the business, for receipts
 * @property bool $weekly_report does an email with the week in six lines come each Monday?
 * @property \Carbon\CarbonImmutable|null $weekly_at when it last went out
 * @property array<string, mixed>|null $warmth what actions are worth, as {@see \Lantern\Core\Warmth\Weights} writes it; null for the usual
 * @property bool $warmth_notices is the owner told by email when somebody becomes warm?
 * @property string|null $warmth_on the day on which all people were looked at last
 * @property list<string> $sale_notices of what the owner is told at once: sale, trouble, refund
 * @property list<string> $embed_hosts from where videos may be shown on pages
 * @property \Illuminate\Support\Carbon|null $created_at
 */
final class Business extends Record
{
    /** @var array<string, string> */
    protected $casts = ['phrases' => 'array', 'embed_hosts' => 'array', 'sale_notices' => 'array', 'warmth' => 'array',
        'warmth_notices' => 'boolean', 'hook_secret' => 'encrypted',
        'report_key' => 'encrypted',
        'reported_at' => 'immutable_datetime',
        'told_at' => 'immutable_datetime', 'readers_told_at' => 'immutable_datetime', 'weekly_report' => 'boolean',
        'weekly_at' => 'immutable_datetime'];

    protected $attributes = ['tax_rate' => 0, 'tax_name' => 'Tax', 'tax_number' => '', 'warmth' => null, 'warmth_on' => null,
        'warmth_notices' => false, 'sale_notices' => '["sale","trouble","refund"]',
        'embed_hosts' => '[]', 'messages_per_minute' => 120, 'locale' => 'en-GB', 'language' => 'en', 'phrases' => '{}',
        'hook_secret' => null,
        'report_key' => null,
        'reported_at' => null, 'told_at' => null, 'readers_told_at' => null, 'weekly_report' => false, 'weekly_at' => null];

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->timezone);
    }

    public function sender(): Sender
    {
        return new Sender($this->name, $this->sender_name, $this->sender_address, $this->postal_address, $this->timezone);
    }

    /** Where links lead that belong to no funnel. */
    public function site(): SiteAddress
    {
        return app(Homes::class)->business($this->id);
    }
}
