<?php

declare(strict_types=1);

namespace App\Http\Site\Pay;

use App\Http\Site\CheckoutController;
use App\Languages\Voices;
use App\Models\Order;
use App\Models\Payment;
use App\Orders\NextPage;
use App\Orders\PayLinks;
use App\Orders\Payments;
use App\Orders\Purchases;
use App\Serving\AtHome;
use App\Serving\Facts\PurchasesFacts;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as HtmlResponse;
use Illuminate\Support\Facades\View;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Symfony\Component\HttpFoundation\Response;

/** Where buyers come back from their bank, and where they wait for an answer that is late. */
final readonly class PayController
{
    public function __construct(private Payments $payments, private Purchases $purchases)
    {
    }

    public function back(Request $request, string $payment, string $seal): Response
    {
        $found = PayLinks::holds($seal, "back|{$payment}") ? Payment::query()->with('order.funnel.business')->find($payment) : null;
        if ($found === null) {
            return PlainPage::linkIsNotYours()->response();
        }
        AtHome::orThere($request, $found->order->funnel->site());

        return $this->after($found);
    }

    public function wait(Request $request, string $order, string $seal): Response
    {
        $found = PayLinks::holds($seal, "wait|{$order}") ? Order::query()->find($order) : null;
        $payment = $found === null ? null : Payment::query()->where('order_id', $found->id)
            ->where('purpose', '!=', PaymentPurpose::Later)->latest('id')->first();
        if ($found === null || $payment === null) {
            return PlainPage::linkIsNotYours()->response();
        }

        return $this->after($payment);
    }

    /** What one order holds, where its funnel has no page for it. */
    public function order(string $order, string $seal): Response
    {
        $found = PayLinks::holds($seal, "order|{$order}") ? Order::query()->with(['business', 'lines'])->find($order) : null;
        if ($found === null || $found->bought_at === null) {
            return PlainPage::linkIsNotYours()->response();
        }

        return new HtmlResponse(View::make('pay.order', ['say' => Voices::ofFunnel($found->language, $found->funnel),
            'bought' => new PurchasesFacts(
                $this->purchases->ofOrder($found), $found->money($found->paid)->words($found->language), (string) $found->number,
                $found->email)])->render(), 200,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }

    /** Looks what became of a payment, and leads its buyer to where that leads. */
    private function after(Payment $payment): Response
    {
        if ($payment->state->isOpen()) {
            $this->payments->lookUp($payment);
        }
        $payment = Payment::query()->with(['order.funnel.liveVersion', 'order.version', 'order.person', 'order.lines'])
            ->findOrFail($payment->id);
        $order = $payment->order;
        if ($payment->purpose === PaymentPurpose::Later) {
            return redirect()->away(PayLinks::order($order), 303);
        }
        $line = $order->lines->firstWhere('number', array_key_first($payment->lines));
        $page = $line->page_id ?? $order->page_id;
        $address = $order->funnel->liveVersion?->plan()->page($page)->address ?? '';
        $answer = match ($payment->state) {
            PaymentState::Paid, PaymentState::Disputed => redirect()->away(NextPage::after($order, $page, Outcome::Bought), 303),
            PaymentState::Bank => redirect()->away((string) $payment->bank_url, 303),
            PaymentState::Failed, PaymentState::Cancelled => PlainPage::notPaid($payment->trouble?->phrase()
                ?? Phrase::of('card.uncharged'),
                $order->funnel->url($address))->response($order->language, $order->funnel),
            default => PlainPage::payingNow()->response($order->language, $order->funnel),
        };

        return $answer instanceof RedirectResponse ? CheckoutController::withOrder($answer, $order) : $answer;
    }
}
