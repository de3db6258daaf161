<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\OwnerLocale;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;

final class CouponKind extends DraftKind
{
    public function part(): string
    {
        return Coupon::class;
    }

    public function list(): string
    {
        return 'coupons';
    }

    public function typed(): array
    {
        return ['name', 'code', 'percent', 'off', 'offers', 'from', 'until', 'uses', 'usesPerPerson'];
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $same = ! $part instanceof Coupon || $part->code === '' ? false
            : DraftPart::there($row->funnel_id, Coupon::kind())->where('id', '!=', $row->id)->where('definition->code', $part->code)
                ->exists();
        if ($same) {
            throw Invalid::at('code', 'Another coupon of this funnel has this code.');
        }
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $count = DraftPart::there($funnel->id, Coupon::kind())->count();
        $code = 'WELCOME'.($count === 0 ? '' : $count + 1);
        while (DraftPart::there($funnel->id, Coupon::kind())->where('definition->code', $code)->exists()) {
            $code .= 'X';
        }

        return new Coupon(Ids::next(), $this->nextName($funnel, 'Coupon'), $code, 10, null);
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof Coupon ? [] : ['code' => $part->code, 'percent' => $part->percent, 'off' => $part->amount?->toArray(),
            'offers' => $part->offers, 'from' => $part->window->from, 'until' => $part->window->until, 'uses' => $part->uses,
            'usesPerPerson' => $part->usesPerPerson ?? 0, 'words' => $part->words(OwnerLocale::now()),
            'used' => DB::table('coupon_uses')->where('coupon_id', $row->id)->where('state', 'used')->count(),
            'codes' => DB::table('coupon_codes')->where('coupon_id', $row->id)->count()];
    }
}
