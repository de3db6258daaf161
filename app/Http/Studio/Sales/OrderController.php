<?php

declare(strict_types=1);

namespace App\Http\Studio\Sales;

use App\Http\Studio\Json\OrderJson;
use App\Http\Studio\StudioController;
use App\Models\Order;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Orders\Accesses;
use App\Orders\OrderLog;
use App\Orders\OrderMessages;
use App\Orders\OrderSearch;
use App\Orders\PaymentPlans;
use App\Orders\Refunding;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder as QueryBuilder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Orders: looked for, looked at, refunded, and what else an owner does with one by hand. */
final class OrderController extends StudioController
{
    private const PER_PAGE = 40;

    public function index(Request $request): JsonResponse
    {
        $search = self::search($request);
        $orders = $search->query($this->business())->with(['lines', 'funnel', 'business'])->latest('placed_at')->orderByDesc('id')
            ->paginate(self::PER_PAGE, ['*'], 'page', Input::number($request, 'page', 1, 1, 100_000));

        return response()->json(['total' => $orders->total(), 'page' => $orders->currentPage(), 'pages' => $orders->lastPage(),
            'orders' => array_map(OrderJson::row(...), $orders->items()), 'sums' => $search->sums($this->business()),
            // One line of each offer, read from the index of offers: not one for each order.
            'offers' => DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')
                ->whereIn('order_lines.id', fn (QueryBuilder $q) => $q->selectRaw('max(id)')->from('order_lines')->groupBy('offer_id'))
                ->where('orders.business_id', $this->business()->id)->orderBy('order_lines.name')->limit(200)
                ->get(['order_lines.offer_id as id', 'order_lines.name'])]);
    }

    public function export(Request $request): StreamedResponse
    {
        $query = self::search($request)->query($this->business())->toBase();
        $funnels = DB::table('funnels')->where('business_id', $this->business()->id)->pluck('name', 'id');

        return response()->streamDownload(function () use ($query, $funnels): void {
            echo "\xEF\xBB\xBF".CsvWriter::record('order', 'placed', 'state', 'name', 'email', 'funnel', 'items', 'currency', 'total',
                'paid', 'refunded', 'coupon', 'source');
            // Plain rows, a thousand at a time: a hundred thousand orders are written as they come.
            foreach ($query->lazyById(1000, 'id')->chunk(1000) as $orders) {
                $items = DB::table('order_lines')->whereIn('order_id', $orders->pluck('id'))->where('state', '!=', LineState::Failed->value)
                    ->orderBy('number')->get(['order_id', 'name'])->groupBy('order_id');
                foreach ($orders as $order) {
                    $sum = fn (int|string $minor): string => Money::of((int) $minor, Currency::of((string) $order->currency))->plain();
                    echo CsvWriter::record((string) $order->number, str_replace(' ', 'T', substr((string) $order->placed_at, 0, 19)).'Z',
                        (string) $order->state, (string) $order->name, (string) $order->email, (string) $funnels[$order->funnel_id],
                        ($items[$order->id] ?? collect())->pluck('name')->implode('; '), (string) $order->currency, $sum($order->total),
                        $sum($order->paid), $sum($order->refunded), (string) $order->coupon_code, (string) $order->source);
                }
            }
        }, 'orders.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function show(string $order): JsonResponse
    {
        return response()->json(OrderJson::whole($this->order($order)));
    }

    public function refund(Request $request, string $order, Refunding $refunding): JsonResponse
    {
        $found = $this->order($order);
        $act = Input::text($request, 'act');
        if (preg_match('/^[a-z0-9]{16,32}$/D', $act) !== 1) {
            throw Invalid::at('act', 'Please load this page again.');
        }
        $lines = array_values(array_filter((array) $request->input('lines', []), is_int(...)));
        $typed = $request->input('amount');
        $amount = $typed === null || $typed === '' ? null
            : Money::typed(is_string($typed) ? $typed : '', $found->money(0)->currency)->minor;
        $refunding->refund($found, $act, $lines, $amount, $request->boolean('endsAccess'), mb_substr(Input::text($request, 'why'), 0, 300));

        return $this->show($order);
    }

    public function receipt(string $order, string $receipt, OrderMessages $messages): JsonResponse
    {
        $found = $this->order($order);
        $paper = Receipt::query()->where('order_id', $found->id)->findOrFail($receipt);
        DB::transaction(fn () => $messages->sendReceipt($paper->setRelation('order', $found), CarbonImmutable::now(), ':'.Ids::next()));

        return $this->show($order);
    }

    public function note(Request $request, string $order): JsonResponse
    {
        $found = $this->order($order);
        $words = trim(Input::text($request, 'text'));
        if ($words === '' || mb_strlen($words) > 2000) {
            throw Invalid::at('text', $words === '' ? 'There is nothing to note yet.' : 'A note has 2,000 characters at most.');
        }
        DB::transaction(fn () => OrderLog::add($found, FactType::Noted, CarbonImmutable::now(), data: ['words' => $words]));

        return $this->show($order);
    }

    /** Gives access again, or to something of the funnel that was not bought. */
    public function give(Request $request, string $order, Accesses $accesses): JsonResponse
    {
        $found = $this->order($order)->load(['funnel.liveVersion', 'version', 'person']);
        $id = Input::text($request, 'product');
        $product = $found->funnel->liveVersion?->plan()->product($id) ?? $found->version->plan()->product($id)
            ?? throw Invalid::at('product', 'There is no such product.');
        DB::transaction(fn () => $accesses->give($found->person, $found->funnel_id, $product, CarbonImmutable::now(), $found));

        return $this->show($order);
    }

    public function take(string $order, string $access, Accesses $accesses): JsonResponse
    {
        $found = ProductAccess::query()->with('order')->where('order_id', $this->order($order)->id)->findOrFail($access);
        DB::transaction(fn () => $accesses->end($found, CarbonImmutable::now()));

        return $this->show($order);
    }

    /** The rest of a plan is not asked for any more. */
    public function cancelPlan(string $order, PaymentPlans $plans): JsonResponse
    {
        $found = $this->order($order);
        DB::transaction(function () use ($found, $plans): void {
            $plans->cancel($found, CarbonImmutable::now());
            $found->forceFill(['arrears' => false])->save();
        });

        return $this->show($order);
    }

    private function order(string $id): Order
    {
        return Order::query()->with(['business', 'funnel', 'lines'])->where('business_id', $this->business()->id)->findOrFail($id);
    }

    private static function search(Request $request): OrderSearch
    {
        return new OrderSearch(mb_substr(trim(Input::text($request, 'search')), 0, 200), mb_substr(Input::text($request, 'state'), 0, 20),
            mb_substr(Input::text($request, 'funnel'), 0, 40), mb_substr(Input::text($request, 'offer'), 0, 40), Input::day($request,
                'from') ?? '',
            Input::day($request, 'until') ?? '');
    }
}
