<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\ProductAccess;
use Illuminate\Http\Request;
use Lantern\Core\Orders\AccessState;

/** Pages that open to buyers of a product alone. The owner sees them in the Studio, and by a link to a preview. */
final class BuyersOnly
{
    /** The cookie that holds by which right its browser came in. */
    public const COOKIE = 'lantern_access';

    public static function lets(Request $request, LivePage $live): bool
    {
        $products = $live->page->products;
        if ($products === null || $products === []) {
            return true;
        }
        $ids = $request->cookie(self::COOKIE);

        return is_string($ids) && ProductAccess::query()->whereIn('id', array_slice(explode(' ', $ids), 0, 40))
            ->whereIn('product_id', $products)->where('state', AccessState::Active)->exists();
    }
}
