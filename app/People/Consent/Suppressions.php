<?php

declare(strict_types=1);

namespace App\People\Consent;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;

/**
 * Addresses that must not be written to: they bounced, or their owner complained, or left before they were forgotten.
 * Kept by a keyed hash, they outlast the person. A graver reason takes the place of a lighter one, never the other way.
 */
final class Suppressions
{
    private const GRAVITY = ['unsubscribed', 'bounced', 'complained'];

    /** @param  string  $why  `unsubscribed`, `bounced` or `complained` */
    public static function add(int $business, string $address, string $why): void
    {
        $key = ['business_id' => $business, 'address_hash' => self::hash($address)];
        $new = ['why' => $why, 'at' => Instant::sql(CarbonImmutable::now())];
        if (DB::table('suppressions')->insertOrIgnore($key + $new) === 0) {
            $lighter = array_slice(self::GRAVITY, 0, (int) array_search($why, self::GRAVITY, true));
            DB::table('suppressions')->where($key)->whereIn('why', $lighter)->update($new);
        }
    }

    /** Somebody who had left came back of their own accord. What their mailbox or they reported stays. */
    public static function cameBack(int $business, string $address): void
    {
        DB::table('suppressions')->where('business_id', $business)->where('address_hash', self::hash($address))
            ->where('why', 'unsubscribed')->delete();
    }

    public static function lift(int $business, string $address): void
    {
        DB::table('suppressions')->where('business_id', $business)->where('address_hash', self::hash($address))->delete();
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
