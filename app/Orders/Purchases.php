<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Order;
use App\Models\ProductAccess;
use App\Models\Upload;
use App\People\Proof\Proven;
use App\Support\Homes;
use Illuminate\Support\Collection;
use Lantern\Core\Offers\ProductFile;
use Lantern\Core\Orders\AccessState;

/** What a buyer has, and the links that open it. */
final class Purchases
{
    /**
     * @return list<array{name: string, line: string, state: AccessState, open: string|null, files: list<array{name: string, url: string}>}>
     */
    public function ofOrder(Order $order): array
    {
        return $this->items(ProductAccess::query()->where('order_id', $order->id)->orderBy('given_at')->orderBy('id')->get());
    }

    /**
     * @return list<array{name: string, line: string, state: AccessState, open: string|null, files: list<array{name: string, url: string}>}>
     */
    public function ofPerson(Proven $proven): array
    {
        return $this->items(ProductAccess::query()->where('person_id', $proven->person->id)->orderBy('given_at')->orderBy('id')->get());
    }

    /**
     * @param  Collection<int, ProductAccess>  $accesses
     * @return list<array{name: string, line: string, state: AccessState, open: string|null, files: list<array{name: string, url: string}>}>
     */
    private function items(Collection $accesses): array
    {
        return array_values($accesses->map(function (ProductAccess $access): array {
            $product = $access->product();
            $open = $access->state === AccessState::Active;
            $files = array_filter($open ? $product->files : [],
                fn (ProductFile $f): bool => Upload::query()->where('business_id', $access->business_id)->whereKey($f->id)->exists());

            return ['name' => $product->name, 'line' => $product->line, 'state' => $access->state,
                'open' => $open && ($product->url !== '' || $product->page !== null) ? self::openLink($access) : null,
                'files' => array_values(array_map(fn (ProductFile $f): array => ['name' => $f->name, 'url' => self::fileLink($access, $f)],
                    $files))];
        })->all());
    }

    public static function openLink(ProductAccess $access): string
    {
        return Homes::link($access->business_id, $access->funnel_id, "/my/open/{$access->id}/".PayLinks::seal("open|{$access->id}"));
    }

    public static function fileLink(ProductAccess $access, ProductFile $file): string
    {
        return Homes::link($access->business_id, $access->funnel_id, "/my/files/{$access->id}/{$file->id}/"
            .PayLinks::seal("file|{$access->id}|{$file->id}").'/'.rawurlencode($file->name));
    }
}
