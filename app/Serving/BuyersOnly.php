<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\ProductAccess;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Http\Request;
use Lantern\Core\Orders\AccessState;

/** Pages that open to buyers of a product alone. The owner sees them in the Studio, and by a link to a preview. */
final class BuyersOnly
{
    /** @return list<string> ids of the products to which a browser has a right */
    public static function productsOf(Request $request): array
    {
        $ids = SiteCookies::read($request, SiteCookie::Access);

        return ! is_string($ids) ? [] : array_values(array_map(strval(...), ProductAccess::query()
            ->whereIn('id', array_slice(explode(' ', $ids), 0, 40))->where('state', AccessState::Active)->pluck('product_id')->all()));
    }
}
