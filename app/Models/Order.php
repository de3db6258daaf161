<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\OrderState;

/**
 * What somebody buys in one go, with the extra offers after it. State and sums follow from its facts.
 *
 * @property string $id
 * @property int $business_id
 * @property string $funnel_id
 * @property string $version_id that the buyer saw
 * @property string $page_id of the checkout
 * @property string $person_id
 * @property string $token of the checkout that was sent
 * @property int|null $number of the business's orders, from when it is bought
 * @property OrderState $state
 * @property string $currency
 * @property string $language a BCP 47 tag
 * @property string $email as typed
 * @property string $name
 * @property int $total of all lines, in smallest units; likewise `paid` and `refunded`
 * @property int $paid
 * @property int $refunded
 * @property bool $arrears did a payment of its plan fail for good?
 * @property string|null $coupon_id
 * @property string|null $coupon_code
 * @property string|null $method by which the provider can charge again
 * @property string|null $card_ends the last digits of the card, by which the buyer knows it
 * @property string|null $visitor
 * @property string|null $source
 * @property string|null $ip
 * @property bool $owner tried by the owner
 * @property CarbonImmutable $placed_at
 * @property CarbonImmutable|null $bought_at
 * @property CarbonImmutable|null $receipt_due_at
 * @property CarbonImmutable|null $joined_at when it became its person's; until then it belongs to itself alone
 * @property Business $business
 * @property Funnel $funnel
 * @property Version $version
 * @property Person $person
 * @property \Illuminate\Database\Eloquent\Collection<int, OrderLine> $lines
 * @property \Illuminate\Database\Eloquent\Collection<int, Payment> $payments
 * @property \Illuminate\Database\Eloquent\Collection<int, Refund> $refunds
 * @property \Illuminate\Database\Eloquent\Collection<int, Receipt> $receipts
 */
final class Order extends Record
{
    use HasUlids;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['state' => OrderState::class, 'owner' => 'boolean', 'arrears' => 'boolean', 'placed_at' => 'immutable_datetime',
        'bought_at' => 'immutable_datetime', 'receipt_due_at' => 'immutable_datetime', 'joined_at' => 'immutable_datetime'];

    protected $attributes = ['number' => null, 'state' => 'open', 'name' => '', 'paid' => 0, 'refunded' => 0, 'arrears' => false,
        'coupon_id' => null, 'coupon_code' => null, 'method' => null, 'card_ends' => null, 'visitor' => null, 'source' => null,
        'ip' => null, 'owner' => false, 'bought_at' => null, 'receipt_due_at' => null, 'joined_at' => null,
        'language' => 'en'];

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** @return BelongsTo<Version, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return HasMany<OrderLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(OrderLine::class)->orderBy('number');
    }

    /** @return HasMany<Payment, $this> */
    public function payments(): HasMany
    {
        return $this->hasMany(Payment::class)->orderBy('number')->orderBy('try')->orderBy('id');
    }

    /** @return HasMany<Refund, $this> */
    public function refunds(): HasMany
    {
        return $this->hasMany(Refund::class)->orderBy('asked_at')->orderBy('id');
    }

    /** @return HasMany<Receipt, $this> */
    public function receipts(): HasMany
    {
        return $this->hasMany(Receipt::class)->orderBy('number');
    }

    /** An amount of it as its owner reads it. */
    public function shown(int $minor): string
    {
        return $this->money($minor)->words($this->business->locale);
    }

    public function money(int $minor): Money
    {
        return Money::of($minor, Currency::of($this->currency));
    }
}
