<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Person;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Orders\LineState;

/** How many places of an offer are taken, who has bought what, and how often coupons were used. */
final class Sold
{
    /**
     * Sold, or held by somebody who is paying.
     *
     * @param  string|null  $except  an order that is not counted
     */
    public static function taken(string $offer, ?string $except = null): int
    {
        return self::lines([$offer], $except)->count();
    }

    /** Has somebody bought it under whatever address, or are they paying for it? Another offer of the same product is not the same. */
    public static function has(Person $person, string $offer, ?string $except = null): bool
    {
        return self::lines([$offer], $except)->whereIn('orders.person_id', self::ofMailbox($person))->exists();
    }

    /** Everybody who reads the same mailbox: another address for it buys nothing a second time. */
    private static function ofMailbox(Person $person): Builder
    {
        return DB::table('people')->where('business_id', $person->business_id)->where(fn (Builder $q) => $q->where('id', $person->id)
            ->when($person->mailbox !== '', fn (Builder $q) => $q->orWhere('mailbox', $person->mailbox)))->select('id');
    }

    /** @param  list<string>  $offers */
    private static function lines(array $offers, ?string $except): Builder
    {
        return DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')->whereIn('order_lines.offer_id', $offers)
            ->whereIn('order_lines.state', array_map(fn (LineState $s): string => $s->value, LineState::taken()))
            // What the owner tries takes nobody's place.
            ->where('orders.owner', false)
            ->when($except !== null, fn (Builder $q) => $q->where('orders.id', '!=', $except));
    }

    /** Has this person the offer, whoever placed the order? For the owner's own tries, too. */
    public static function hasInOrder(string $order, string $offer): bool
    {
        return DB::table('order_lines')->where('order_id', $order)->where('offer_id', $offer)
            ->whereIn('state', array_map(fn (LineState $s): string => $s->value, LineState::taken()))->exists();
    }

    /**
     * As the columns of a line.
     *
     * @param  array{deadline: string, left: int}|null  $under  the deadline it is sold under
     * @return array{deadline_id: string, deadline_left: int}|array{}
     */
    public static function under(?array $under): array
    {
        return $under === null ? [] : ['deadline_id' => $under['deadline'], 'deadline_left' => $under['left']];
    }

    /** @return array{int, int} how often a coupon was used or is being used: in all, and by a person */
    public static function uses(string $coupon, ?Person $person, ?string $except = null): array
    {
        $uses = fn (): Builder => DB::table('coupon_uses')->where('coupon_id', $coupon)->whereIn('state', ['held', 'used'])
            ->when($except !== null, fn (Builder $q) => $q->where('order_id', '!=', $except));

        return [$uses()->count(), $person === null ? 0 : $uses()->whereIn('person_id', self::ofMailbox($person))->count()];
    }

    public static function isCodeUsed(string $coupon, string $code, ?string $except = null): bool
    {
        return DB::table('coupon_uses')->where('coupon_id', $coupon)->where('code', $code)->whereIn('state', ['held', 'used'])
            ->when($except !== null, fn (Builder $q) => $q->where('order_id', '!=', $except))->exists();
    }
}
