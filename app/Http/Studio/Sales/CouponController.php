<?php

declare(strict_types=1);

namespace App\Http\Studio\Sales;

use App\Http\Studio\StudioController;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Codes of coupons of which each is used once: made by the hundred, and taken along as a list. */
final class CouponController extends StudioController
{
    public const MOST_CODES = 10_000;

    /** Letters and digits that nobody takes for one another. */
    private const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

    public function make(Request $request, string $part): JsonResponse
    {
        $coupon = $this->draftPart($part, Coupon::kind());
        $count = Input::number($request, 'count', 0, 0, 1000);
        if ($count < 1) {
            throw Invalid::at('count', 'How many codes? From 1 to 1,000 at a time.');
        }
        DB::transaction(function () use ($coupon, $count): void {
            if (DB::table('coupon_codes')->where('coupon_id', $coupon->id)->count() + $count > self::MOST_CODES) {
                throw Invalid::at('count', 'A coupon has 10,000 codes at most.');
            }
            $made = 0;
            while ($made < $count) {
                // One that is there already is left out, and made up for.
                $made += DB::table('coupon_codes')->insertOrIgnore(array_map(fn (): array => ['business_id' => $this->business()->id,
                    'coupon_id' => $coupon->id, 'code' => self::code(), 'made_at' => Instant::sql(CarbonImmutable::now())],
                    range(1, min(100, $count - $made))));
            }
        });

        return response()->json(['codes' => DB::table('coupon_codes')->where('coupon_id', $coupon->id)->count()], 201);
    }

    public function list(string $part): StreamedResponse
    {
        $coupon = $this->draftPart($part, Coupon::kind());

        return response()->streamDownload(function () use ($coupon): void {
            echo CsvWriter::record('code', 'state', 'used by');
            foreach (DB::table('coupon_codes')->leftJoin('coupon_uses', fn ($j) => $j->on('coupon_uses.code', '=', 'coupon_codes.code')
                ->on('coupon_uses.coupon_id', '=', 'coupon_codes.coupon_id')->whereIn('coupon_uses.state', ['used', 'held']))
                ->leftJoin('orders', 'orders.id', '=', 'coupon_uses.order_id')->where('coupon_codes.coupon_id', $coupon->id)
                ->orderBy('coupon_codes.id')->get(['coupon_codes.code', 'coupon_uses.state', 'orders.email']) as $row) {
                echo CsvWriter::record((string) $row->code, match ($row->state) {
                    'used' => 'used', 'held' => 'being used', default => 'free'
                }, (string) $row->email);
            }
        }, 'codes.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    private static function code(): string
    {
        $code = '';
        for ($i = 0; $i < 12; $i++) {
            $code .= ($i > 0 && $i % 4 === 0 ? '-' : '').self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)];
        }

        return $code;
    }
}
