@extends('pay.layout', ['title' => $say('purchase.title')])
@section('body')
@php
    use Lantern\Core\Orders\AccessState;
    use Lantern\Core\Orders\PaymentPurpose;
    use Lantern\Core\Orders\PaymentState;
    $day = fn ($at) => \Lantern\Core\Deadlines\TimeWords::day($at, $person->business->zone(), $say->language()->tag);
@endphp
<h1 class="heading">{{ $say('purchase.title') }}</h1>
<p class="text">{{ $say('purchase.words', ['business' => $person->business->name]) }}</p>
@if ($said !== '')<p class="said" role="status">{{ $said }}</p>@endif
@if ($items === [])<p>{{ $say('purchase.none') }}</p>@endif
<div class="purchases"><ul>
@foreach ($items as $item)
<li><strong>{{ $item['name'] }}</strong>@if ($item['line'] !== '') <span>{{ $item['line'] }}</span>@endif
@if ($item['open'] !== null)<a class="button quiet" href="{{ $item['open'] }}">{{ $say('purchase.open') }}</a>@endif
@foreach ($item['files'] as $file)
<a class="button quiet" href="{{ $file['url'] }}" download>{{ $say('purchase.download', ['file' => $file['name']]) }}</a>
@endforeach
@if ($item['state'] !== AccessState::Active)<em>{{ $say($item['state']->phrase()) }}</em>@endif
</li>
@endforeach
</ul></div>
@foreach ($orders as $order)
@php
    $later = $order->payments->filter(fn ($p) => $p->purpose === PaymentPurpose::Later && in_array($p->state, [PaymentState::Due, PaymentState::Asked, PaymentState::Bank], true));
@endphp
<section class="my-order" aria-label="{{ $say('purchase.order', ['number' => (string) $order->number]) }}">
<h2 class="heading">{{ $say('purchase.order_of', ['number' => (string) $order->number, 'day' => $day($order->bought_at)]) }}</h2>
<ul class="my-lines">
@foreach ($order->lines->filter(fn ($l) => $l->state !== \Lantern\Core\Orders\LineState::Failed && $l->state !== \Lantern\Core\Orders\LineState::Held) as $line)
<li>{{ $say($line->state === \Lantern\Core\Orders\LineState::Returned ? 'purchase.line_returned' : 'purchase.line', ['name' => $line->name, 'amount' => $order->money($line->total)]) }}</li>
@endforeach
</ul>
<p>{{ $order->refunded > 0 ? $say('purchase.paid_refunded', ['amount' => $order->money($order->paid), 'refunded' => $order->money($order->refunded)]) : $say('purchase.paid', ['amount' => $order->money($order->paid)]) }} @if (($order->card_ends ?? '') !== ''){{ $say('purchase.card', ['ends' => $order->card_ends]) }}@endif</p>
<p>@foreach ($order->receipts as $receipt)<a href="{{ \App\Orders\PayLinks::receipt($receipt) }}">{{ $say('purchase.receipt', ['kind' => $receipt->kind->phrase(), 'number' => (string) $receipt->number]) }}</a>{{ $loop->last ? '' : ' · ' }}@endforeach</p>
@if ($later->isNotEmpty())
<h3>{{ $say('purchase.to_pay') }}</h3>
<ul class="my-lines">
@foreach ($later as $payment)
<li>{{ $say('purchase.payment', ['day' => $day($payment->due_at), 'amount' => $order->money($payment->amount)]) }}@if ($payment->first_failed_at) <strong>{{ $say('purchase.payment_failed') }}</strong>@endif @if ($payment->state === PaymentState::Bank)<a href="{{ $payment->bank_url }}">{{ $say('purchase.approve') }}</a>@endif</li>
@endforeach
</ul>
<details class="coupon" @if ($errors !== [] || $order->arrears) open @endif><summary>{{ $say('purchase.other_card') }}</summary>
<form class="form checkout" method="post" action="{{ $here }}" data-checkout data-fields="{{ $fields }}" data-frame="{{ $say('card.fields') }}" data-silent="{{ $say('checkout.card_silent') }}" data-later="{{ $say('checkout.sum_later') }}">
<div class="card-fields" data-card><noscript><p class="error">{{ $say('purchase.no_script') }}</p></noscript></div>
@isset($errors['card'])<span class="error" role="alert">{{ $errors['card'] }}</span>@endisset
<input type="hidden" name="order" value="{{ $order->id }}"><input type="hidden" name="method" value="">
<button class="button" type="submit">{{ $order->arrears || $later->contains(fn ($p) => $p->first_failed_at !== null) ? $say('purchase.use_and_pay') : $say('purchase.use') }}</button>
</form></details>
@endif
</section>
@endforeach
@endsection
