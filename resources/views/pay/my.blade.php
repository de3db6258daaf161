@extends('pay.layout', ['title' => 'My purchases'])
@section('body')
@php
    use Lantern\Core\Orders\AccessState;
    use Lantern\Core\Orders\PaymentPurpose;
    use Lantern\Core\Orders\PaymentState;
    $day = fn ($at) => $at->setTimezone($person->business->zone())->format('j F Y');
@endphp
<h1 class="heading">My purchases</h1>
<p class="text">Everything you have from {{ $person->business->name }}. Keep the link to this page: it needs no password.</p>
@if ($said !== '')<p class="said" role="status">{{ $said }}</p>@endif
@if ($items === [])<p>There is nothing here yet.</p>@endif
<div class="purchases"><ul>
@foreach ($items as $item)
<li><strong>{{ $item['name'] }}</strong>@if ($item['line'] !== '') <span>{{ $item['line'] }}</span>@endif
@if ($item['open'] !== null)<a class="button quiet" href="{{ $item['open'] }}">Open it</a>@endif
@foreach ($item['files'] as $file)
<a class="button quiet" href="{{ $file['url'] }}" download>Download {{ $file['name'] }}</a>
@endforeach
@if ($item['state'] !== AccessState::Active)<em>{{ $item['state']->label() }}</em>@endif
</li>
@endforeach
</ul></div>
@foreach ($orders as $order)
@php
    $later = $order->payments->filter(fn ($p) => $p->purpose === PaymentPurpose::Later && in_array($p->state, [PaymentState::Due, PaymentState::Asked, PaymentState::Bank], true));
@endphp
<section class="my-order" aria-label="Order {{ $order->number }}">
<h2 class="heading">Order {{ $order->number }}, {{ $day($order->bought_at) }}</h2>
<ul class="my-lines">
@foreach ($order->lines->filter(fn ($l) => $l->state !== \Lantern\Core\Orders\LineState::Failed && $l->state !== \Lantern\Core\Orders\LineState::Held) as $line)
<li>{{ $line->name }}: {{ $order->money($line->total)->words($order->language) }}@if ($line->state === \Lantern\Core\Orders\LineState::Returned) (returned)@endif</li>
@endforeach
</ul>
<p>Paid {{ $order->money($order->paid)->words($order->language) }}@if ($order->refunded > 0), refunded {{ $order->money($order->refunded)->words($order->language) }}@endif. {{ ucfirst($order->method_label ?? '') }}</p>
<p>@foreach ($order->receipts as $receipt)<a href="{{ \App\Orders\PayLinks::receipt($receipt) }}">{{ $receipt->kind->label() }} {{ $receipt->number }} (PDF)</a>{{ $loop->last ? '' : ' · ' }}@endforeach</p>
@if ($later->isNotEmpty())
<h3>Still to pay</h3>
<ul class="my-lines">
@foreach ($later as $payment)
<li>{{ $day($payment->due_at) }}: {{ $order->money($payment->amount)->words($order->language) }}@if ($payment->first_failed_at) <strong>did not go through</strong>@endif @if ($payment->state === PaymentState::Bank)<a href="{{ $payment->bank_url }}">Approve it at your bank</a>@endif</li>
@endforeach
</ul>
<details class="coupon" @if ($errors !== [] || $order->arrears) open @endif><summary>Use another card</summary>
<form class="form checkout" method="post" action="{{ $here }}" data-checkout data-fields="{{ $fields }}">
<div class="card-fields" data-card><noscript><p class="error">The card fields need JavaScript, which your browser has turned off.</p></noscript></div>
@isset($errors['card'])<span class="error" role="alert">{{ $errors['card'] }}</span>@endisset
<input type="hidden" name="order" value="{{ $order->id }}"><input type="hidden" name="method" value="">
<button class="button" type="submit">{{ $order->arrears || $later->contains(fn ($p) => $p->first_failed_at !== null) ? 'Use this card and pay what is open' : 'Use this card' }}</button>
</form></details>
@endif
</section>
@endforeach
@endsection
