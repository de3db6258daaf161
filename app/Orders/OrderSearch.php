<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Business;
use App\Models\Order;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Names;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\OrderState;

/** The orders of a business, as its owner looks for them, and what those that are found come to. */
final readonly class OrderSearch
{
    /**
     * @param  string  $state  of an order, or `arrears`; '' for all that were bought; `all` for every one
     * @param  string  $offer  an id; '' for any
     * @param  string  $from  a day on the owner's clocks; '' for none; likewise `until`
     */
    public function __construct(
        public string $search = '',
        public string $state = '',
        public string $funnel = '',
        public string $offer = '',
        public string $from = '',
        public string $until = '',
    ) {
    }

    /** @return Builder<Order> */
    public function query(Business $business): Builder
    {
        $query = Order::query()->where('orders.business_id', $business->id);
        $states = array_map(fn (OrderState $s): string => $s->value,
            array_filter(OrderState::cases(), fn (OrderState $s): bool => $s->isBought()));
        match (true) {
            $this->state === '' => $query->whereIn('state', $states),
            $this->state === 'all' => null,
            $this->state === 'arrears' => $query->where('arrears', true),
            default => $query->where('state', $this->state),
        };
        if ($this->funnel !== '') {
            $query->where('funnel_id', $this->funnel);
        }
        if ($this->offer !== '') {
            $query->whereExists(fn ($q) => $q->selectRaw('1')->from('order_lines')->whereColumn('order_lines.order_id', 'orders.id')
                ->where('order_lines.offer_id', $this->offer));
        }
        $zone = $business->zone();
        if ($this->from !== '') {
            $query->where('placed_at', '>=', Instant::sql(new CarbonImmutable($this->from, $zone)));
        }
        if ($this->until !== '') {
            $query->where('placed_at', '<', Instant::sql((new CarbonImmutable($this->until, $zone))->addDay()));
        }
        if ($this->search !== '') {
            $like = Input::pattern(Names::folded($this->search));
            $query->where(fn (Builder $q) => $q->where(function (Builder $q) use ($like): void {
                $q->whereRaw("folded(email) like ? escape '\\'", [$like])->orWhereRaw("folded(name) like ? escape '\\'", [$like]);
            })->orWhere('coupon_code', mb_strtoupper($this->search))
                // No order has the number nought.
                ->orWhere('number', ctype_digit($this->search) && strlen($this->search) < 10 ? (int) $this->search : 0));
        }

        return $query;
    }

    /**
     * @return list<array{currency: string, orders: int, total: string, paid: string, refunded: string}> by currency, which are never added
     *     up
     */
    public function sums(Business $business): array
    {
        return array_values($this->query($business)->where('owner', false)->toBase()
            ->groupBy('currency')->orderBy('currency')
            ->get(['currency', DB::raw('count(*) as n'), DB::raw('sum(total) as total'), DB::raw('sum(paid) as paid'),
                DB::raw('sum(refunded) as refunded')])
            ->map(function (object $row) use ($business): array {
                $words = fn (mixed $sum): string => Money::of((int) $sum, Currency::of((string) $row->currency))
                    ->words($business->locale);

                return ['currency' => (string) $row->currency, 'orders' => (int) $row->n, 'total' => $words($row->total),
                    'paid' => $words($row->paid), 'refunded' => $words($row->refunded)];
            })->all());
    }
}
