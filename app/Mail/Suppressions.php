<?php

declare(strict_types=1);

namespace App\Mail;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;

/** Addresses that must not be written to: they bounced, or their owner complained. Kept by a keyed hash, they outlast the person. */
final class Suppressions
{
    public static function add(int $business, string $address, string $why): void
    {
        DB::table('suppressions')->insertOrIgnore(['business_id' => $business, 'address_hash' => self::hash($address), 'why' => $why, 'at' => Instant::sql(CarbonImmutable::now())]);
    }

    public static function lift(int $business, string $address): void
    {
        DB::table('suppressions')->where('business_id', $business)->where('address_hash', self::hash($address))->delete();
    }

    public static function has(int $business, string $address): bool
    {
        return self::why($business, $address) !== null;
    }

    public static function why(int $business, string $address): ?string
    {
        $why = DB::table('suppressions')->where('business_id', $business)->where('address_hash', self::hash($address))->value('why');

        return is_string($why) ? $why : null;
    }

    public static function hash(string $address): string
    {
        try {
            $key = EmailAddress::of($address)->key;
        } catch (Invalid) {
            $key = mb_strtolower(trim($address));
        }

        return hash_hmac('sha256', "suppressed|{$key}", (string) config('app.key'));
    }
}
