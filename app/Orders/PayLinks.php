<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use App\Models\Person;
use App\Models\Receipt;
use App\Support\Homes;
use App\Support\Seal;
use App\Support\SealPurpose;

/** Links that open what belongs to a buyer. A seal covers what the link is for, so that none can be turned into another. */
final class PayLinks
{
    private const LENGTH = 32;

    public static function seal(string $of): string
    {
        return Seal::of(SealPurpose::Payment, $of, self::LENGTH);
    }

    public static function holds(string $seal, string $of): bool
    {
        return Seal::holds(SealPurpose::Payment, $of, $seal, self::LENGTH);
    }

    /** One order alone, for whoever placed it. */
    public static function order(Order $order): string
    {
        return Homes::link($order->business_id, $order->funnel_id, "/pay/order/{$order->id}/".self::seal("order|{$order->id}"));
    }

    /** “My purchases”: all that a person has bought. It stands in emails to them and nowhere else: it is the proof. */
    public static function purchases(Person $person): string
    {
        return Homes::link($person->business_id, null, "/my/{$person->id}/".self::seal("my|{$person->id}"));
    }

    /** The same for its owner to look at: it proves nothing, and changes nothing. */
    public static function purchasesToLookAt(Person $person): string
    {
        return Homes::link($person->business_id, null, "/my/{$person->id}/".self::seal("look|{$person->id}"));
    }

    public static function receipt(Receipt $receipt): string
    {
        return Homes::link($receipt->business_id, null,
            "/my/receipts/{$receipt->id}/".self::seal("receipt|{$receipt->id}").'/receipt-'.$receipt->number.'.pdf');
    }

    /** Where a buyer waits for what is not known yet. */
    public static function waiting(Order $order): string
    {
        return Homes::link($order->business_id, $order->funnel_id, "/pay/wait/{$order->id}/".self::seal("wait|{$order->id}"));
    }
}
