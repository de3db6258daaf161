<?php

declare(strict_types=1);

namespace App\Http\Site\Pay;

use App\Models\Payment;
use App\Orders\Payments;
use App\Payments\PaymentProvider;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * Takes the calls of the payment provider. A call is only a reason to look: what happened is asked of the provider itself,
 * so that one that comes twice, late, out of order or from nobody knows where changes nothing.
 */
final readonly class CallController
{
    public function __construct(private PaymentProvider $provider, private Payments $payments)
    {
    }

    public function __invoke(Request $request, string $provider): JsonResponse
    {
        $call = $provider === $this->provider::name() ? $this->provider->call($request) : null;
        if ($call === null) {
            return response()->json(['message' => 'This call is not signed as it should be.'], 400);
        }
        $payment = Payment::query()->with('order')->where('key', $call->key)->first();
        if ($payment !== null) {
            $this->payments->lookUp($payment);
        }
        // Known of one that is taken already: no matter, looking again was harmless.
        DB::table('provider_calls')->insertOrIgnore(['id' => $call->id, 'key' => mb_substr($call->key, 0, 40),
            'at' => Instant::sql(CarbonImmutable::now())]);

        return response()->json(['message' => $payment === null ? 'There is no such payment.' : 'Thank you.'], 202);
    }
}
