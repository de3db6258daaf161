<?php

declare(strict_types=1);

namespace App\Http\Studio\Sales;

use App\Deadlines\DeadlineNumbers as Deadlines;
use App\Http\Studio\Results\AskedPeriod;
use App\Http\Studio\StudioController;
use App\Orders\SalesNumbers;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;

/** Sales in numbers, and a look into the ledger of practice payments. */
final class SalesController extends StudioController
{
    public function numbers(Request $request, SalesNumbers $numbers): JsonResponse
    {
        return response()->json($numbers->period($this->business(), null, AskedPeriod::of($request, $this->business()->zone(), 1)));
    }

    public function ofFunnel(Request $request, string $funnel, SalesNumbers $numbers): JsonResponse
    {
        $found = $this->funnel($funnel)->load('liveVersion');
        $period = AskedPeriod::of($request, $this->business()->zone(), 1);
        $plan = $found->liveVersion?->plan();
        $since = CarbonImmutable::instance($period->begins($this->business()->zone()));

        return response()->json($numbers->period($this->business(), $found, $period) + ['currency' => $found->sellsIn(),
            'deadlines' => $plan === null ? [] : Deadlines::ofPlan($plan, $since)]);
    }

    /** What the far side has on its books for this business's payments, beside what ours say. */
    public function ledger(): JsonResponse
    {
        $ours = fn (): Builder => DB::table('payments')->join('orders', 'orders.id', '=', 'payments.order_id')
            ->where('orders.business_id', $this->business()->id);
        $payments = $ours()->orderByDesc('payments.asked_at')->limit(200)
            ->get(['payments.key', 'payments.state', 'payments.amount', 'orders.number', 'orders.id as order', 'orders.email'])
            ->keyBy('key');
        $charges = PracticeBank::ledger()->table('charges')->whereIn('key', $payments->keys())->orderByDesc('id')->get();
        $cards = PracticeBank::ledger()->table('cards')->whereIn('token', $charges->pluck('token'))->get()->keyBy('token');

        return response()->json([
            'cards' => array_map(fn (Behaviour $b): array => ['number' => trim(chunk_split($b->number(), 4, ' ')), 'does' => $b->label()],
                Behaviour::cases()),
            'charges' => array_values($charges->map(function (object $c) use ($payments, $cards): array {
                $money = fn (mixed $minor): string => Money::of((int) $minor, Currency::of((string) $c->currency))
                    ->words($this->business()->locale);
                $card = $cards[$c->token] ?? null;

                return ['key' => (string) $c->key, 'at' => Instant::jsonFromSql($c->made_at), 'amount' => $money($c->amount),
                    'refunded' => (int) $c->refunded === 0 ? '' : $money($c->refunded), 'state' => (string) $c->state,
                    'disputed' => (bool) $c->disputed, 'trouble' => (string) $c->trouble,
                    'card' => $card === null ? '' : "{$card->ends}, ".(Behaviour::tryFrom((string) $card->behaviour)?->label() ?? ''),
                    'order' => (string) $payments[$c->key]->order, 'number' => $payments[$c->key]->number,
                    'email' => (string) $payments[$c->key]->email, 'ours' => (string) $payments[$c->key]->state];
            })->all()),
        ]);
    }

    /** The cardholder disputes a payment, or gives in: practised by the owner's hand. */
    public function dispute(Request $request, string $key, PracticeBank $bank): JsonResponse
    {
        $mine = DB::table('payments')->join('orders', 'orders.id', '=', 'payments.order_id')
            ->where('orders.business_id', $this->business()->id)->where('payments.key', $key)->exists();
        if (! $mine) {
            abort(404);
        }
        $bank->dispute($key, $request->boolean('begins'));

        return $this->ledger();
    }
}
